import { STRAND_LIMITS } from '@coiled-strand/core';
import { FlipHorizontal2, FlipVertical2, Minus, Plus, Repeat } from 'lucide-react';
import { ToolButton } from '../../../ui/shell/tool-button';
import { loomEdits } from './loom-edits';
import { ToolGroup } from './loom-tools';

interface RowProps {
  readonly part: string;
  /** The row that keys are on, from 0. */
  readonly row: number;
}

/** What can be done to the rows of a pattern. */
export const RowTools = ({ part, row }: RowProps) => (
  <ToolGroup label={`Rows, at row ${row + 1}`}>
    <ToolButton label="Put rows in here" hotkey="Ins" onClick={() => loomEdits.addRows(part, row)}>
      <Plus size={18} />
    </ToolButton>
    <ToolButton
      label="Take these rows out"
      hotkey="Del"
      onClick={() => loomEdits.removeRows(part, row)}
    >
      <Minus size={18} />
    </ToolButton>
    <ToolButton label="Mirror left and right" onClick={() => loomEdits.mirrorAcross(part)}>
      <FlipVertical2 size={18} />
    </ToolButton>
    <ToolButton
      label="Mirror along: the same rows back again"
      onClick={() => loomEdits.mirrorAlong(part)}
    >
      <FlipHorizontal2 size={18} />
    </ToolButton>
    <ToolButton label="The repeat twice" onClick={() => loomEdits.repeat(part)}>
      <Repeat size={18} />
    </ToolButton>
  </ToolGroup>
);

interface StrandProps {
  readonly part: string;
  readonly strands: number;
  /** The place where one goes in or out; the last one where it is null. */
  readonly place: number | null;
}

export const StrandTools = ({ part, strands, place }: StrandProps) => (
  <ToolGroup label={place === null ? `Strands: ${strands}` : `Strands, at place ${place + 1}`}>
    <ToolButton
      label="Put a strand in"
      disabled={strands >= STRAND_LIMITS.max}
      onClick={() => loomEdits.addStrand(part, place ?? strands)}
    >
      <Plus size={18} />
    </ToolButton>
    <ToolButton
      label="Take a strand out"
      disabled={strands <= STRAND_LIMITS.min}
      onClick={() => loomEdits.removeStrand(part, place ?? strands - 1)}
    >
      <Minus size={18} />
    </ToolButton>
  </ToolGroup>
);
