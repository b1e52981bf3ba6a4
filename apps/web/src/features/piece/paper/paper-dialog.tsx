import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { usePreferences } from '../../../ui/settings/use-preferences';
import {
  fileNameOf,
  PAPERS,
  speakLength,
  svgOf,
  type LengthUnit,
  type PaperSize,
  type Piece,
  type Plan,
  type Side,
} from '@coiled-strand/core';
import { FileDown } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { useMakes } from '../../../data/api/queries';
import { Choices } from '../../../ui/fields/choices';
import { SelectField } from '../../../ui/fields/select-field';
import { TickField } from '../../../ui/fields/tick-field';
import { MAKE_PARAM } from '../../make/make/use-make';
import { useUnits } from '../../../ui/settings/use-units';
import { Button } from '../../../ui/shell/button';
import { saveCsv } from '../../../ui/shell/csv';
import { Modal } from '../../../ui/shell/modal';
import { saidOfFile, saveFile } from '../../../ui/shell/save-file';
import { addressOf, aloneHint, seenAlone } from './address';
import { drawable, drawingOf } from './drawable';
import type { PaperOrder } from './order';
import { readyPress } from './print';
import { cutTable, needsTable } from './tables';
import { usePaperSize, usePrinting } from './use-paper';

/** What can be had of a piece on paper or for other programs. */
export type Sheet = PaperOrder['what'] | Open;

/** What can be had as a file for other programs. */
type Open = 'drawing' | 'cut-table' | 'needs-table';

const SHEETS: readonly { value: Sheet; label: string; detail: string }[] = [
  { value: 'strip', label: 'Strip', detail: 'at true size, to lay the work on' },
  { value: 'booklet', label: 'Booklet', detail: 'every step with its picture' },
  { value: 'cut-list', label: 'Cut list', detail: 'with boxes to tick' },
  { value: 'cord-labels', label: 'Labels for the cords', detail: 'one round each' },
  { value: 'tags', label: 'Label with a code', detail: 'a phone opens the piece, or its make' },
  { value: 'drawing', label: 'Drawing', detail: 'SVG in millimetres' },
  { value: 'cut-table', label: 'Table of cuts', detail: 'CSV, lengths in mm' },
  { value: 'needs-table', label: 'Table of needs', detail: 'CSV' },
];
const OPEN: readonly Sheet[] = ['drawing', 'cut-table', 'needs-table'];
const isOpen = (sheet: Sheet): sheet is Open => OPEN.includes(sheet);

/** The units a booklet for somebody else may be told in. */
const UNITS: readonly { value: string; label: string; unit: LengthUnit; cordUnit: LengthUnit }[] = [
  { value: 'metric', label: 'Centimetres', unit: 'cm', cordUnit: 'cm' },
  { value: 'imperial', label: 'Inches', unit: 'in', cordUnit: 'ft' },
];

interface Props {
  readonly id: string;
  readonly piece: Piece;
  readonly plan: Plan;
  readonly first?: Sheet;
  readonly onClose: () => void;
}

/** Puts a piece on paper: which sheets, on what, for whose hands. */
export function PaperDialog({ id, piece, plan, first = 'strip', onClose }: Props) {
  const own = useUnits();
  const [sheet, setSheet] = useState<Sheet>(first);
  const [paper, setPaper] = usePaperSize();
  const { hand: usual } = usePreferences();
  const [hand, setHand] = useState<Side | null>(null);
  const [told, setTold] = useState('own');
  const [kit, setKit] = useState(false);
  const makes = useMakes(id).data ?? [];
  const printing = usePrinting();
  useEffect(readyPress, []);
  const units = UNITS.find(({ value }) => value === told) ?? own;
  const choice = {
    paper,
    units: { unit: units.unit, cordUnit: units.cordUnit },
    hand: hand ?? usual,
  };
  const [drawn, setDrawn] = useState('piece');
  /** What is said of the last file for other programs. */
  const [saved, setSaved] = useState<string | null>(null);
  const { hand: leads } = choice;
  // Which steps have a picture is found by drawing them: only where it is asked for, and once.
  const drawings = useMemo(
    () => (sheet === 'drawing' ? drawable(piece, plan, leads, own) : []),
    [sheet, piece, plan, leads, own],
  );
  const order = (printed: PaperOrder['what']): PaperOrder => {
    switch (printed) {
      case 'booklet':
        return { what: 'booklet', piece, plan, choice: { ...choice, kit } };
      case 'tags':
        return {
          what: 'tags',
          title: piece.name,
          size: 'small',
          paper,
          tags: [
            {
              title: piece.name,
              lines: [piece.wearer.name, speakLength(plan.fit.length, 'laid', choice.units)],
              url: addressOf(`/pieces/${id}`),
            },
            ...makes.map((make) => ({
              title: piece.name,
              lines: [`make ${make.number}`, make.piece.wearer.name],
              url: addressOf(`/pieces/${id}/make?${MAKE_PARAM}=${make.id}`),
            })),
          ],
        };
      default:
        return { what: printed, piece, plan, choice };
    }
  };
  const choose = (next: Sheet): void => {
    setSheet(next);
    // What was said of the last file is not said of the next.
    printing.reset();
    setSaved(null);
  };
  const { label } = SHEETS.find(({ value }) => value === sheet)!;
  const name = `${piece.name} ${label}`;
  const saveOpen = (open: Open): void => {
    if (open === 'drawing') {
      const { title, bounds, shapes } = drawingOf(piece, plan, choice.hand, drawn);
      const file = fileNameOf(title, 'svg');
      saveFile(file, 'image/svg+xml', svgOf(title, bounds, shapes));
      setSaved(saidOfFile(file));
      return;
    }
    const file = fileNameOf(name, 'csv');
    saveCsv(file, open === 'cut-table' ? cutTable(plan) : needsTable(plan, choice.units));
    setSaved(saidOfFile(file));
  };
  const said = saved ?? printing.data;
  const save = (): void => {
    if (isOpen(sheet)) saveOpen(sheet);
    else printing.mutate({ order: order(sheet), name });
  };
  return (
    <Modal
      open
      onClose={onClose}
      title={`${piece.name} on paper or as a file`}
      size="wide"
      footer={
        <Button variant="solid" disabled={printing.isPending} onClick={save}>
          <FileDown size={18} />{' '}
          {printing.isPending ? 'Making the file …' : isOpen(sheet) ? 'Save it' : 'Save as PDF'}
        </Button>
      }
    >
      <Flex direction="column" gap="5">
        <Choices label="What" value={sheet} onChange={choose} choices={SHEETS} minWidth="190px" />
        {sheet === 'drawing' && (
          <SelectField label="Of" value={drawn} options={drawings} onChange={setDrawn} />
        )}
        {!isOpen(sheet) && (
          <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
            <SelectField
              label="Paper"
              value={paper}
              options={Object.entries(PAPERS).map(([value, one]) => ({ value, label: one.label }))}
              onChange={(value) => setPaper(value as PaperSize)}
            />
            <SelectField
              label="Lengths in"
              value={told}
              options={[{ value: 'own', label: 'The units of the workshop' }, ...UNITS]}
              onChange={setTold}
            />
          </Grid>
        )}
        {(sheet === 'strip' || sheet === 'booklet' || sheet === 'drawing') && (
          <Choices
            label="For hands that lead with the"
            value={hand ?? usual}
            onChange={setHand}
            choices={[
              { value: 'right', label: 'Right' },
              { value: 'left', label: 'Left' },
            ]}
          />
        )}
        {sheet === 'booklet' && (
          <TickField
            label="For a kit: without the wearer and your own notes"
            checked={kit}
            onChange={setKit}
          />
        )}
        <Hint sheet={sheet} />
        <Box role="status">
          {said !== undefined && <Text>{said}</Text>}
          {printing.error && (
            <Text color="danger" role="alert">
              It could not be made: {printing.error.message}
            </Text>
          )}
        </Box>
      </Flex>
    </Modal>
  );
}

/** What to know before a sheet is printed. */
function Hint({ sheet }: { readonly sheet: Sheet }) {
  const hint =
    sheet === 'tags' && seenAlone()
      ? aloneHint()
      : sheet === 'strip'
        ? 'Print it at 100 %. A square on the sheet shows whether it came out as large as it is.'
        : null;
  return (
    hint && (
      <Text color="muted" fontSize="sm">
        {hint}
      </Text>
    )
  );
}
