import { plainLayout, type PartBase, type PartKind } from '../../../base/kind/part-kind.js';
import { sideBySide } from '../../knot/lanes.js';
import { straightUse } from '../../knot/straight.js';
import { straightRuns } from '../../knot/stroke.js';
import { outerEnds } from '../ends.js';
import { laid, say } from '../../../base/measure/saying.js';

/** Ends that hang free and stay: a tassel, the ends of a lariat. Not part of the way round. */
export interface TailPart extends PartBase {
  readonly kind: 'tail';
  readonly length: number;
}

export const tail: PartKind<TailPart> = {
  entry: {
    id: 'tail',
    label: 'Hanging ends',
    blurb: 'Ends that stay and hang free, at the start or the end of the piece.',
    goodFor: 'Ends that are meant to be seen. They need a knot or a bead, or they fray.',
    group: 'cord',
    unitName: 'end',
    needsBead: false,
    seconds: 15,
    keepsOrder: true,
  },
  fields: [{ type: 'length', key: 'length', label: 'Length', min: 1, max: 2000 }],
  make: ({ id }) => ({ id, kind: 'tail', length: 60 }),
  fills: () => false,
  section: (_part, site) => ({ ...sideBySide(site.runs), pitch: 1 }),
  layOut(part, site) {
    const atEnd = site.first || site.last;
    return plainLayout(
      part.length,
      { ...sideBySide(site.runs), pitch: part.length },
      {
        unitName: 'end',
        round: [],
        uses: straightUse(site.runs, part.length),
        advice: atEnd
          ? []
          : [
              {
                code: 'tail.place',
                severity: 'error',
                message: 'Hanging ends can only be first or last.',
                remedy: 'Move them to an end of the piece, or make this plain cord.',
                path: '',
              },
            ],
      },
    );
  },
  draw: (part, site, layout, { done }) =>
    straightRuns(site.runs, part.id, 0, layout.length, done > 0 ? 'laid' : 'planned').map(
      (stroke) => ({ ...stroke, ends: 'round' as const }),
    ),
  inSpace: null,
  steps: (part, site) => [
    {
      title: say`Leave ends of ${laid(part.length)}`,
      text: 'These ends stay: they hang free when the piece is worn.',
      units: 1,
      actions: [
        {
          do: 'lay',
          place: part.id,
          mm: part.length,
          on: outerEnds(site.runs),
          hangs: site.first ? 'start' : 'end',
        },
      ],
      cautions: [],
    },
  ],
};
