import { Box, Flex, Text } from '@chakra-ui/react';
import { VERSION, type PreferencesDto, type SettingsDto } from '@coiled-strand/contract';
import {
  END_SCHOOLS,
  endsFor,
  type EndKind,
  type EndTreatment,
  type LengthUnit,
  type Side,
} from '@coiled-strand/core';
import type { ReactNode } from 'react';
import { useMay } from '../../data/api/people-queries';
import {
  settingsIn,
  useChangePreferences,
  useChangeSettings,
  useWorkshop,
} from '../../data/api/queries';
import { Choices } from '../fields/choices';
import { SelectField } from '../fields/select-field';
import { TextField } from '../fields/text-field';
import { ChangeFault } from '../shell/change-fault';
import { Modal } from '../shell/modal';
import { OnThisDevice } from '../pocket/on-this-device';
import { RealSize } from './real-size';
import { PRACTICE_CHOICES, STEPS, CONFIDENCES } from './cutting-choices';
import { useDevice } from '../../data/device/device-store';
import { USUAL_CURRENCY } from './use-currency';

const UNITS: readonly { value: LengthUnit; label: string }[] = [
  { value: 'cm', label: 'Centimetres' },
  { value: 'mm', label: 'Millimetres' },
  { value: 'in', label: 'Inches, as fractions' },
];
const CORD_UNITS: readonly { value: LengthUnit; label: string }[] = [
  { value: 'cm', label: 'Centimetres' },
  { value: 'm', label: 'Metres' },
  { value: 'in', label: 'Inches' },
  { value: 'ft', label: 'Feet and inches' },
];

const END_FIELDS: readonly { kind: EndKind; label: string }[] = [
  { kind: 'melts', label: 'Ends of synthetic cord' },
  { kind: 'burns', label: 'Ends of natural fibre' },
  { kind: 'leather', label: 'Ends of leather' },
];

interface Props {
  readonly onClose: () => void;
}

/** What belongs together in the settings, under whose it is. */
function Whose({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <Flex as="section" direction="column" gap="5" aria-label={title}>
      <Text as="h3" fontSize="lg" fontWeight="600">
        {title}
      </Text>
      {children}
    </Flex>
  );
}

/** How somebody measures, how the workshop works, and how large things are on this screen. */
export function SettingsDialog({ onClose }: Props) {
  const { data } = useWorkshop();
  const may = useMay('maker');
  const change = useChangeSettings();
  const prefer = useChangePreferences();
  const theme = useDevice((device) => device.theme);
  const setTheme = useDevice((device) => device.setTheme);
  if (!data) return null;
  const { settings } = data;
  const { unit, cordUnit, hand } = settings;
  const set = (more: Partial<SettingsDto>): void =>
    change.mutate({ seen: settingsIn(data), wanted: { ...settings, ...more } });
  const setOwn = (more: Partial<PreferencesDto>): void =>
    prefer.mutate({ unit, cordUnit, hand, ...more });
  return (
    <Modal open onClose={onClose} title="Settings" size="wide">
      <Flex direction="column" gap="8">
        <Whose title="Yours, in every workshop">
          <Flex gap="4" direction={{ base: 'column', md: 'row' }}>
            <SelectField
              label="Sizes and finished lengths in"
              value={unit}
              options={UNITS}
              onChange={(value) => setOwn({ unit: value as LengthUnit })}
            />
            <SelectField
              label="Cord to cut in"
              value={cordUnit}
              options={CORD_UNITS}
              onChange={(value) => setOwn({ cordUnit: value as LengthUnit })}
            />
          </Flex>
          <Choices<Side>
            label="Leading hand"
            value={hand}
            onChange={(value) => setOwn({ hand: value })}
            choices={[
              { value: 'right', label: 'Right', detail: 'First half knot from the left' },
              { value: 'left', label: 'Left', detail: 'Everything mirrored' },
            ]}
          />
        </Whose>
        <fieldset disabled={!may} style={{ display: 'contents' }}>
          <Whose title="The workshop’s">
            <Flex gap="4" direction={{ base: 'column', md: 'row' }}>
              <SelectField
                label="New pieces: round cuts up to"
                value={String(settings.step)}
                options={STEPS.map((s) => ({ value: String(s.value), label: s.label }))}
                onChange={(step) => set({ step: Number(step) })}
              />
              <SelectField
                label="New pieces: how sure"
                value={String(settings.confidence)}
                options={CONFIDENCES.map((s) => ({ value: String(s.value), label: s.label }))}
                onChange={(confidence) => set({ confidence: Number(confidence) })}
              />
            </Flex>
            <Choices
              label="New pieces: how practised your hands are"
              value={settings.practice}
              onChange={(practice) => set({ practice })}
              choices={PRACTICE_CHOICES}
            />
            <Flex gap="4" direction={{ base: 'column', md: 'row' }}>
              {END_FIELDS.map(({ kind, label }) => (
                <SelectField
                  key={kind}
                  label={label}
                  value={settings.ends[kind]}
                  options={endsFor(kind).map((way) => ({
                    value: way,
                    label: END_SCHOOLS[way].label,
                  }))}
                  onChange={(way) =>
                    set({ ends: { ...settings.ends, [kind]: way as EndTreatment } })
                  }
                />
              ))}
            </Flex>
            <TextField
              label="Prices in"
              value={settings.currency ?? USUAL_CURRENCY}
              maxLength={8}
              required
              onChange={(currency) => set({ currency })}
            />
          </Whose>
        </fieldset>
        <Whose title="On this screen">
          <Choices
            label="Theme"
            value={theme ?? 'system'}
            onChange={(value) => setTheme(value === 'system' ? null : value)}
            choices={[
              { value: 'system', label: 'Same as the device' },
              { value: 'light', label: 'Light' },
              { value: 'dark', label: 'Dark' },
            ]}
          />
          <RealSize />
          <OnThisDevice />
        </Whose>
        <ChangeFault change={change} read={settingsIn} />
        {prefer.error && (
          <Text color="danger" role="alert">
            Not kept: {prefer.error.message}
          </Text>
        )}
        <Box fontSize="sm" color="muted">
          {data.name}
          {data.maker && `, ${data.maker}`}. Coiled Strand {VERSION}
        </Box>
      </Flex>
    </Modal>
  );
}
