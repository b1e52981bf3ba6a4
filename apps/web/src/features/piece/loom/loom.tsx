import { Flex, Text } from '@chakra-ui/react';
import type { FlossPart, Piece } from '@coiled-strand/core';
import { useId, useMemo, useState } from 'react';
import { usePieceDocument } from '../piece/piece-store';
import { Button } from '../../../ui/shell/button';
import { later } from '../../../ui/shell/later';
import { OwnCordDialog } from '../../workshop/stash/dialogs';
import { ColourDrag } from './colour-drag';
import { FaultBar } from './fault-bar';
import { LoomCanvas } from './loom-canvas';
import { Colours, KnotTools } from './loom-tools';
import { tellKnot, tellReturn } from './loom-words';
import { RowTools, StrandTools } from './pattern-tools';
import { useBand, useColours } from './use-band';
import { useLoom } from './use-loom';
import { ViewBar, type Sight } from './view-bar';
import { loomView, zoomFor } from './view';

const ReadyDialog = later(() => import('./ready-dialog').then((m) => m.ReadyDialog));
const PictureDialog = later(() => import('./picture-dialog').then((m) => m.PictureDialog));
const TextDialog = later(() => import('./text-dialog').then((m) => m.TextDialog));

interface Props {
  /** Id of the band. */
  readonly id: string;
}

/** One repeat of a knotted band, to be drawn and changed as the stitches it will be. */
export function Loom({ id }: Props) {
  const piece = usePieceDocument();
  const part = piece.parts.find((p) => p.id === id);
  return part?.kind === 'knotted-floss' ? <BandLoom piece={piece} part={part} /> : null;
}

interface BandProps {
  readonly piece: Piece;
  readonly part: FlossPart;
}

function BandLoom({ piece, part }: BandProps) {
  const band = useBand(piece, part);
  const hand = useLoom(part, band);
  const { shown, runs, sim, fault, own } = band;
  const [sight, setSight] = useState<Sight>(() => ({ zoom: zoomFor(runs.length), lanes: false }));
  const view = useMemo(
    () => loomView(shown, runs.length, sight.zoom),
    [shown, runs.length, sight.zoom],
  );
  const [dialog, setDialog] = useState<'ready' | 'picture' | 'text' | 'colour' | null>(null);
  const close = (): void => setDialog(null);
  const status = useId();
  const colours = useColours(own, hand.brush);
  return (
    <ColourDrag part={part.id} view={view}>
      <Flex direction="column" gap="3">
        <ViewBar
          sight={sight}
          onSight={setSight}
          onReady={() => setDialog('ready')}
          onPicture={() => setDialog('picture')}
          onText={() => setDialog('text')}
        />
        {fault && <FaultBar part={part.id} fault={fault} strands={runs.length} />}
        <LoomCanvas
          view={view}
          rows={shown.rows}
          sim={sim}
          runs={runs}
          cursor={hand.cursor}
          shown={hand.alone}
          lanes={sight.lanes}
          describedBy={status}
          onKnot={hand.touch}
          onHead={hand.head}
          onKey={hand.press}
        />
        <Text id={status} fontSize="sm" color="muted" aria-live="polite" data-testid="loom-status">
          {tellKnot(shown, runs, sim, hand.cursor)} {tellReturn(sim, shown.rows.length)}
        </Text>
        <Flex gap="5" flexWrap="wrap" align="flex-end">
          <KnotTools lay={part.lay} tool={hand.tool} onTool={hand.setTool} />
          <RowTools part={part.id} row={hand.cursor.row} />
          <StrandTools part={part.id} strands={runs.length} place={hand.alone} />
        </Flex>
        <Flex gap="3" flexWrap="wrap" align="flex-end">
          <Colours cords={colours} brush={hand.brush} onBrush={hand.setBrush} />
          <Button variant="text" fontSize="sm" onClick={() => setDialog('colour')}>
            Another colour
          </Button>
        </Flex>
      </Flex>
      {dialog === 'ready' && <ReadyDialog part={part} onClose={close} />}
      {dialog === 'picture' && <PictureDialog part={part} onClose={close} />}
      {dialog === 'text' && <TextDialog part={part} onClose={close} />}
      {dialog === 'colour' && own[0] && (
        <OwnCordDialog
          start={own[0]}
          onClose={close}
          onDone={(cord) => {
            hand.setBrush(cord);
            close();
          }}
        />
      )}
    </ColourDrag>
  );
}
