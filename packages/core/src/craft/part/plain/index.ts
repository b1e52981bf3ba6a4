import { plainLayout, type PartBase, type PartKind } from '../../../base/kind/part-kind.js';
import { sideBySide } from '../../knot/lanes.js';
import { straightUse } from '../../knot/straight.js';
import { straightRuns } from '../../knot/stroke.js';
import { outerEnds } from '../ends.js';
import { laid, say } from '../../../base/measure/saying.js';

/** Cord left as it is, all runs side by side. */
export interface PlainPart extends PartBase {
  readonly kind: 'plain';
  /** In mm, or null to take what the fit asks for. */
  readonly length: number | null;
}

export const plain: PartKind<PlainPart> = {
  entry: {
    id: 'plain',
    label: 'Plain cord',
    blurb: 'Cord left as it is.',
    goodFor: 'Cord that shows itself, and the stretch that a slider runs on.',
    group: 'cord',
    unitName: 'stretch',
    needsBead: false,
    seconds: 10,
    keepsOrder: true,
  },
  fields: [
    { type: 'length', key: 'length', label: 'Length', min: 1, max: 5000, open: 'set by the fit' },
  ],
  make: ({ id }) => ({ id, kind: 'plain', length: 20 }),
  fills: (part) => part.length === null,
  withLength: (part, length) => ({ ...part, length }),
  section: (_part, site) => ({ ...sideBySide(site.runs), pitch: 1 }),
  layOut(part, site, share) {
    const length = part.length ?? share;
    return plainLayout(
      length,
      { ...sideBySide(site.runs), pitch: length },
      { unitName: 'stretch', uses: straightUse(site.runs, length) },
    );
  },
  draw: (part, site, layout, { done }) =>
    straightRuns(site.runs, part.id, 0, layout.length, done > 0 ? 'laid' : 'planned'),
  inSpace: null,
  steps: (part, site, layout) => [
    {
      title: say`Leave ${laid(layout.length)} plain`,
      text:
        site.runs.length > 1
          ? 'Lay all cords side by side, equally tight, and mark where the next part begins.'
          : 'Lay the cord straight along the rule, and mark where the next part begins.',
      units: 1,
      actions: [{ do: 'lay', place: part.id, mm: layout.length, on: outerEnds(site.runs) }],
      cautions: [],
    },
  ],
};
