import {
  inSentence,
  type Cord,
  type Plan,
  type PlanResult,
  type Reason,
  type StrandPlan,
} from '@coiled-strand/core';
import { Popover, Portal } from '@chakra-ui/react';
import { memo, useCallback, useRef, useState, type RefObject } from 'react';
import { useUnits, type Units } from '../../../ui/settings/use-units';
import { countsOf } from './counts';
import './live.css';
import { Reasons } from './reasons';
import { StrandBadge } from './strand-badge';

interface AnswerProps {
  readonly label: string;
  readonly value: string;
  readonly aside?: string | undefined;
  readonly reasons: readonly Reason[];
  readonly total: string;
  readonly format: (mm: number) => string;
  readonly after?: { readonly label: string; readonly value: string };
  /** For the length of one cord: which. */
  readonly strand?: Pick<StrandPlan, 'number' | 'cord'>;
}

/** A number that opens its reasons. */
export function Answer({ label, value, aside, strand, ...sum }: AnswerProps) {
  const button = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  const toggle = useCallback(() => setOpen((was) => !was), []);
  return (
    <>
      <AnswerButton
        ref={button}
        label={label}
        value={value}
        aside={aside}
        number={strand?.number}
        cord={strand?.cord}
        open={open}
        onClick={toggle}
      />
      {open && <SumPopover label={label} anchor={button} onClose={() => setOpen(false)} {...sum} />}
    </>
  );
}

interface ButtonProps extends Pick<AnswerProps, 'label' | 'value' | 'aside'> {
  readonly ref: RefObject<HTMLButtonElement | null>;
  readonly number: number | undefined;
  readonly cord: Cord | undefined;
  readonly open: boolean;
  readonly onClick: () => void;
}

/** Drawn anew only when what it says changes. */
const AnswerButton = memo(function AnswerButton(props: ButtonProps) {
  const { ref, label, value, aside, number, cord, open, onClick } = props;
  return (
    <button
      ref={ref}
      type="button"
      className="live-answer"
      title="Show the sum"
      aria-haspopup="dialog"
      aria-expanded={open}
      onClick={onClick}
    >
      {number !== undefined && cord && <StrandBadge number={number} cord={cord} />}
      <span className="live-answer-text">
        <span className="live-label">{label}</span>
        <span className="live-value">{value}</span>
        {aside && <span className="live-aside">{aside}</span>}
      </span>
    </button>
  );
});

interface SumProps extends Pick<AnswerProps, 'label' | 'reasons' | 'total' | 'format' | 'after'> {
  readonly anchor: RefObject<HTMLButtonElement | null>;
  readonly onClose: () => void;
}

/** Only there while it is open: the numbers change with every move of a drag. */
function SumPopover({ label, anchor, onClose, reasons, total, format, after }: SumProps) {
  return (
    <Popover.Root
      open
      onOpenChange={(details) => !details.open && onClose()}
      finalFocusEl={() => anchor.current}
      positioning={{
        placement: 'left-start',
        getAnchorRect: () => anchor.current?.getBoundingClientRect() ?? null,
      }}
    >
      <Portal>
        <Popover.Positioner>
          <Popover.Content w="380px" aria-label={label}>
            <Reasons
              reasons={reasons}
              total={total}
              format={format}
              {...(after ? { after } : {})}
            />
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}

/** Lines of small print, drawn anew only when a word of them changes. */
const Lines = memo(function Lines({ text, quiet }: { text: string; quiet?: boolean }) {
  return (
    <>
      {text.split('\n').map((line) => (
        <p key={line} className={quiet ? 'live-line live-quiet' : 'live-line'}>
          {line}
        </p>
      ))}
    </>
  );
});

/** The sizes a closure that adjusts can take, with what it must pass; empty for one that does not. */
function rangeLine({ fit }: Plan, units: Units): string {
  const { states, pass } = fit;
  const [first, last] = [states[0], states.at(-1)];
  if (states.length < 2 || !first || !last) return '';
  const passing = pass
    ? ` (the ${pass.what} is ${units.size(pass.mm)}${pass.estimated ? ', estimated' : ''})`
    : '';
  return `${first.label} ${units.size(first.circumference)}, ${inSentence(last.label)} ${units.size(last.circumference)}${passing}`;
}

/** What a maker counts: beads on both sides, pieces of each, findings to have ready. */
function counterLines({ counters }: Plan, say: Units['say']): string {
  const { left, right, middle, symmetric, beads, needs } = counters;
  const sides = `Beads: ${left} left, ${middle > 0 ? `${middle} in the middle, ` : ''}${right} right; ${symmetric ? 'symmetric' : 'not symmetric'}`;
  return [
    ...(beads.length > 0 ? [sides] : []),
    ...beads.map(
      ({ name, count, inHand }) =>
        `${count} × ${name}${inHand === null ? '' : ` (${inHand} in hand)`}`,
    ),
    ...needs.map(({ label, count }) => `${count} × ${say(label)}`),
  ].join('\n');
}

function PlanAnswers({ plan }: { readonly plan: Plan }) {
  const units = useUnits();
  const { fit, totals, strands, auxiliary } = plan;
  const open = fit.circumference === 0;
  const own = !fit.filled;
  const range = rangeLine(plan, units);
  return (
    <div className="live-answers">
      <Answer
        label="Length of the work"
        value={units.size(fit.length)}
        aside={own ? `fit asks ${units.size(fit.fitted)}` : 'as the fit asks'}
        reasons={fit.lengthReasons}
        total={own ? 'The fit asks for' : 'Length of the work'}
        format={units.size}
        {...(own ? { after: { label: 'As it is', value: units.size(fit.length) } } : {})}
      />
      {!open && (
        <Answer
          label="Inside circumference"
          value={units.size(fit.circumference)}
          aside={`aim ${units.size(fit.target)}`}
          reasons={fit.targetReasons}
          total="Aim"
          format={units.size}
        />
      )}
      {range !== '' && <Lines text={range} />}
      {strands.map((strand) => (
        <Answer
          key={strand.number}
          strand={strand}
          label={`${strand.role}, ${strand.cord.colour.name}`}
          value={units.cord(strand.cut)}
          aside={
            strand.fold === null
              ? 'single'
              : Math.abs(strand.fold - strand.cut / 2) < 0.5
                ? 'folded at the middle'
                : 'folded off the middle'
          }
          reasons={strand.reasons}
          total="Sum"
          format={units.cord}
          after={{ label: 'Cut, rounded up', value: units.cord(strand.cut) }}
        />
      ))}
      {auxiliary.map((cord) => (
        <Answer
          key={cord.id}
          label={cord.label}
          value={units.cord(cord.cut)}
          reasons={cord.reasons}
          total="Sum"
          format={units.cord}
          after={{ label: 'Cut, rounded up', value: units.cord(cord.cut) }}
        />
      ))}
      <div aria-label="Counters" role="group" className="live-counters">
        <Lines text={counterLines(plan, units.say)} />
      </div>
      <Lines
        text={`${countsOf(plan).join(', ')}; ${totals.perLength.toFixed(1)} times its length in cord`}
        quiet
      />
    </div>
  );
}

/** The answers that stay on the page in every planning stage. */
export function Answers({ plan }: { readonly plan: PlanResult }) {
  return <aside aria-label="Answers">{plan.ok && <PlanAnswers plan={plan} />}</aside>;
}
