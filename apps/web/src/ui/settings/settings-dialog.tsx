import { Box, Flex, Text } from '@chakra-ui/react';
import { VERSION, type SettingsDto } from '@coiled-strand/contract';
import {
  END_SCHOOLS,
  endsFor,
  type EndKind,
  type EndTreatment,
  type LengthUnit,
  type Side,
} from '@coiled-strand/core';
import { useMay } from '../../data/api/people-queries';
import { useChangeSettings, useWorkshop } from '../../data/api/queries';
import { Choices } from '../fields/choices';
import { SelectField } from '../fields/select-field';
import { TextField } from '../fields/text-field';
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

/** How this workshop measures and works, and how large things are on this screen. */
export function SettingsDialog({ onClose }: Props) {
  const { data } = useWorkshop();
  const may = useMay('maker');
  const change = useChangeSettings();
  const theme = useDevice((device) => device.theme);
  const setTheme = useDevice((device) => device.setTheme);
  if (!data) return null;
  const { settings } = data;
  const set = (more: Partial<SettingsDto>): void => change.mutate({ ...settings, ...more });
  return (
    <Modal open onClose={onClose} title="Settings" size="wide">
      <Flex direction="column" gap="6">
        <fieldset disabled={!may} style={{ display: 'contents' }}>
          {' '}
          <Flex gap="4" direction={{ base: 'column', md: 'row' }}>
            <SelectField
              label="Sizes and finished lengths in"
              value={settings.unit}
              options={UNITS}
              onChange={(unit) => set({ unit: unit as LengthUnit })}
            />
            <SelectField
              label="Cord to cut in"
              value={settings.cordUnit}
              options={CORD_UNITS}
              onChange={(cordUnit) => set({ cordUnit: cordUnit as LengthUnit })}
            />
          </Flex>
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
                onChange={(way) => set({ ends: { ...settings.ends, [kind]: way as EndTreatment } })}
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
          <Choices<Side>
            label="Leading hand"
            value={settings.hand}
            onChange={(hand) => set({ hand })}
            choices={[
              { value: 'right', label: 'Right', detail: 'First half knot from the left' },
              { value: 'left', label: 'Left', detail: 'Everything mirrored' },
            ]}
          />
        </fieldset>
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
        {change.isError && (
          <Text color="danger" role="alert">
            Not kept: {change.error.message}
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
