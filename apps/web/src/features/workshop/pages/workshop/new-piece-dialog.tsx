import { Box, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import { closureKind, TEMPLATES, type Piece, type Template } from '@coiled-strand/core';
import { memo, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useAddPiece, useWearers, useWorkshop } from '../../../../data/api/queries';
import { MiniPiece } from '../../../piece/bench/mini-piece';
import { LengthField } from '../../../../ui/fields/length-field';
import { SelectField } from '../../../../ui/fields/select-field';
import { TextRow } from '../../../../ui/fields/text-row';
import { useUnits } from '../../../../ui/settings/use-units';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { selectable } from '../../../../ui/shell/selectable';

const GROUPS: readonly { readonly id: Template['group']; readonly label: string }[] = [
  { id: 'bracelet', label: 'For wrist or ankle' },
  { id: 'necklace', label: 'For the neck' },
];

const OTHER = 'other';
/** A wrist to start from when none is chosen: the rounded mean of adults. */
const SOME_WRIST = 165;

interface Start {
  readonly template: Template;
  readonly piece: Piece;
}

/** By what the maker wants to make, and for whom; all of it can be changed afterwards. */
export function NewPieceDialog({ onClose }: { readonly onClose: () => void }) {
  const units = useUnits();
  const navigate = useNavigate();
  const add = useAddPiece();
  const settings = useWorkshop().data?.settings;
  const { data: wearers = [] } = useWearers();
  const [start, setStart] = useState(TEMPLATES[0]!.id);
  const [name, setName] = useState('');
  const [wearerId, setWearerId] = useState<string | null>(null);
  const [wrist, setWrist] = useState(SOME_WRIST);
  const [who, setWho] = useState('');
  const chosen =
    wearers.find((w) => w.id === wearerId) ?? (wearerId === null ? wearers[0] : undefined);
  // The drawings follow the measures, not every letter of a name.
  const wearer = useMemo(() => chosen?.value ?? { name: 'Somebody', wrist }, [chosen, wrist]);
  const starts = useMemo((): Start[] => {
    if (!settings) return [];
    const { step, confidence, practice, ends } = settings;
    const cutting = { step, confidence, practice };
    return TEMPLATES.map((template) => ({
      template,
      piece: template.make({ name: template.label, wearer, cutting, ends }),
    }));
  }, [settings, wearer]);
  const piece = starts.find(({ template }) => template.id === start)?.piece;
  const create = async (): Promise<void> => {
    if (!piece) return;
    const view = await add.mutateAsync({
      ...piece,
      name: name.trim() || piece.name,
      wearer: chosen ? piece.wearer : { ...piece.wearer, name: who.trim() || 'Somebody' },
    });
    await navigate(`/pieces/${view.id}/fit`);
  };
  return (
    <AskDialog
      size="wide"
      title="New piece"
      action="Lay it on the bench"
      doing={[add]}
      ready={piece !== undefined}
      onDo={create}
      onClose={onClose}
    >
      <Flex direction="column" gap="6">
        <Flex gap="4" direction={{ base: 'column', sm: 'row' }}>
          <SelectField
            label="For"
            value={chosen?.id ?? OTHER}
            options={[
              ...wearers.map((w) => ({
                value: w.id,
                label: `${w.value.name}, wrist ${units.size(w.value.wrist)}`,
              })),
              { value: OTHER, label: 'Somebody else' },
            ]}
            onChange={setWearerId}
          />
          <TextRow
            label="Name of the piece"
            value={name}
            maxLength={80}
            placeholder={piece?.name ?? ''}
            onChange={(event) => setName(event.target.value)}
          />
        </Flex>
        {!chosen && (
          <Flex gap="4" direction={{ base: 'column', sm: 'row' }}>
            <TextRow
              label="Who"
              value={who}
              maxLength={80}
              placeholder="Somebody"
              onChange={(event) => setWho(event.target.value)}
            />
            <LengthField label="Wrist" value={wrist} unit={units.unit} onChange={setWrist} />
          </Flex>
        )}
        <Box role="radiogroup" aria-label="What to make">
          {GROUPS.map(({ id, label }) => (
            <Box key={id} mb="5">
              <Heading as="h3" fontSize="md" mb="2">
                {label}
              </Heading>
              <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="2">
                {starts
                  .filter(({ template }) => template.group === id)
                  .map((s) => (
                    <TemplateCard
                      key={s.template.id}
                      start={s}
                      chosen={s.template.id === start}
                      onChoose={setStart}
                    />
                  ))}
              </Grid>
            </Box>
          ))}
        </Box>
      </Flex>
    </AskDialog>
  );
}

interface CardProps {
  readonly start: Start;
  readonly chosen: boolean;
  readonly onChoose: (id: string) => void;
}

/** A template as the small true drawing of what it makes for this wearer. */
const TemplateCard = memo(function TemplateCard({ start, chosen, onChoose }: CardProps) {
  const { template, piece } = start;
  const { opens } = closureKind(piece.closure.type).entry;
  return (
    <Box
      as="button"
      role="radio"
      aria-checked={chosen}
      aria-label={template.label}
      onClick={() => onChoose(template.id)}
      textAlign="left"
      {...selectable(chosen)}
      px="3"
      py="3"
      _hover={{ borderColor: chosen ? 'chalk' : 'muted' }}
    >
      <Box overflow="hidden" mb="2">
        <MiniPiece
          piece={piece}
          height={44}
          span={150}
          // What matters lies at the middle of what slides or hangs, and at the end of what is buckled.
          from={opens && template.group === 'bracelet' ? 'start' : 'middle'}
        />
      </Box>
      <Text as="span" display="block" fontWeight="600" lineHeight="1.25">
        {template.label}
      </Text>
      <Text as="span" display="block" fontSize="sm" color="muted" lineHeight="1.3">
        {template.blurb}
      </Text>
    </Box>
  );
});
