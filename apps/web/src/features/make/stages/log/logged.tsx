import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import type { MakeView, Worn } from '@coiled-strand/contract';
import { techniqueLabel, type Compared, type EndsWere, type Measure } from '@coiled-strand/core';
import { format } from 'date-fns';
import { CopyPlus, Pencil, RotateCcw } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { useAddPiece, useBeginMake, useMakePlan } from '../../../../data/api/queries';
import { MAKE_PARAM } from '../../make/use-make';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { LogForm } from './log-form';
import { OfferOffcuts } from '../../../workshop/stock/offer-offcuts';
import { CameTo } from './came-to';
import { Photos } from './photos';

const WORN_WORDS: Readonly<Record<Worn, string>> = {
  'too-tight': 'Sits too tight.',
  snug: 'Sits snug.',
  right: 'Sits right.',
  loose: 'Sits loose.',
  'too-loose': 'Sits too loose.',
};

/** One make in the log: what was measured beside what was predicted, and what can be done with it. */
export function Logged({ entry }: { readonly entry: MakeView }) {
  const units = useUnits();
  const [mending, setMending] = useState(false);
  const place = useRef<HTMLDivElement>(null);
  const wanted = useLocation().hash === `#make-${entry.id}`;
  // The book leads to one make among several.
  useEffect(() => {
    if (wanted) place.current?.scrollIntoView?.({ block: 'start' });
  }, [wanted]);
  const plan = useMakePlan(entry.id).data?.plan;
  const { record, outcome, loggedAt } = entry;
  if (!record || !outcome || !loggedAt || !plan) return null;
  if (mending) {
    return <LogForm make={entry} plan={plan} open={0} onDone={() => setMending(false)} />;
  }
  const { stages } = record;
  return (
    <Box ref={place} data-testid="logged" id={`make-${entry.id}`}>
      <Heading as="h2" fontSize="xl">
        Make {entry.number}, {format(new Date(loggedAt), 'd MMMM yyyy')}
      </Heading>
      <Text color="muted" mb="3" maxW="72ch">
        For {entry.piece.wearer.name}, in {record.minutes} minutes
        {stages && ` (${stages.prepare} cutting, ${stages.tie} tying, ${stages.finish} finishing)`}.
        {record.owner && ` ${record.owner} has it.`}
        {record.worn && ` ${WORN_WORDS[record.worn]}`}
        {record.note && ` ${record.note}`}
      </Text>
      <Photos make={entry} editable={false} />
      <Box as="table" w="full" maxW="760px" mt="3" style={{ borderCollapse: 'collapse' }}>
        <thead>
          <tr>
            {['', 'Predicted', 'Came out', ''].map((head, i) => (
              <Box
                as="th"
                key={i}
                textAlign={i === 0 || i === 3 ? 'left' : 'right'}
                fontWeight="400"
                fontSize="sm"
                color="muted"
                py="1"
                pr={{ base: '2', sm: '4' }}
              >
                {head}
              </Box>
            ))}
          </tr>
        </thead>
        <tbody>
          <ComparedRow row={outcome.length} label="Length of the work" say={units.size} />
          {outcome.cords.map((row, i) => (
            <ComparedRow
              key={row.label}
              row={row}
              label={`${plan.strands[i]?.role ?? row.label} in the piece`}
              say={units.cord}
            />
          ))}
        </tbody>
      </Box>
      <HandSaid entry={entry} />
      {!entry.stashTold && (
        <Box mt="4">
          <OfferOffcuts make={entry} plan={plan} />
        </Box>
      )}
      <CameTo entry={entry} plan={plan} />
      <Actions entry={entry} onMend={() => setMending(true)} />
    </Box>
  );
}

/** By how much, and which way. */
const off = (ratio: number, more: string, less: string): string =>
  `${Math.abs((ratio - 1) * 100).toFixed(0)} % ${ratio >= 1 ? more : less}`;

const ENDS_SAID: Readonly<Record<EndsWere, string>> = {
  plenty: 'The ends were longer than your fingers needed.',
  enough: 'The ends were just enough for your fingers.',
  short: 'The ends were too short for your fingers.',
};

const SAID: Readonly<
  Record<Exclude<Measure, 'ends'>, (technique: string, ratio: number) => string>
> = {
  'take-up': (technique, ratio) =>
    `${technique} took ${off(ratio, 'more', 'less')} cord than the model’s.`,
  pitch: (_, ratio) => `Each came out ${off(ratio, 'longer', 'shorter')}.`,
  time: (_, ratio) => `Each took ${off(ratio, 'more', 'less')} time.`,
  drift: (_, ratio) =>
    `After the work was measured, each came out ${off(ratio, 'longer', 'shorter')} than before.`,
};

/** What this make says of the hand. */
function HandSaid({ entry }: { readonly entry: MakeView }) {
  const { outcome, setAside } = entry;
  if (!outcome || outcome.observations.length === 0) return null;
  return (
    <Text mt="3">
      {outcome.observations
        .map(({ technique, measure, ratio, was }) =>
          measure === 'ends'
            ? ENDS_SAID[was ?? 'enough']
            : SAID[measure](techniqueLabel(technique, entry.piece.knots ?? []), ratio),
        )
        .join(' ')}
      {setAside !== null && ` Set aside: ${setAside}`}
    </Text>
  );
}

function Actions({ entry, onMend }: { readonly entry: MakeView; readonly onMend: () => void }) {
  const navigate = useNavigate();
  const begin = useBeginMake(entry.pieceId);
  const addPiece = useAddPiece();
  const failed = begin.error ?? addPiece.error;
  return (
    <Flex gap="2" mt="3" flexWrap="wrap" align="center">
      <Button onClick={onMend}>
        <Pencil size={17} /> Correct the log
      </Button>
      <Button
        disabled={begin.isPending}
        onClick={() =>
          begin.mutate(
            { repeat: entry.id },
            {
              onSuccess: (make) =>
                void navigate(`/pieces/${entry.pieceId}/make?${MAKE_PARAM}=${make.id}`),
            },
          )
        }
      >
        <RotateCcw size={17} /> Make it again
      </Button>
      <Button
        disabled={addPiece.isPending}
        onClick={() =>
          addPiece.mutate(
            { ...entry.piece, name: `${entry.piece.name}, changed`.slice(0, 80) },
            { onSuccess: (piece) => void navigate(`/pieces/${piece.id}/fit`) },
          )
        }
      >
        <CopyPlus size={17} /> A new piece from its plan
      </Button>
      {failed && (
        <Text color="danger" role="alert">
          {failed.message}
        </Text>
      )}
    </Flex>
  );
}

interface RowProps {
  readonly row: Compared;
  readonly label: string;
  readonly say: (mm: number) => string;
}

/** Predicted and actual as numbers, and the difference as a bar about the middle. */
function ComparedRow({ row, label, say }: RowProps) {
  const percent = row.off * 100;
  const reach = Math.min(50, Math.abs(percent) * 2.5);
  return (
    <Box as="tr" borderTop="1px solid {colors.line}">
      <Box as="th" textAlign="left" fontWeight="500" py="2" pr={{ base: '2', sm: '4' }}>
        {label}
      </Box>
      <Box as="td" textAlign="right" pr={{ base: '2', sm: '4' }} whiteSpace="nowrap">
        {say(row.predicted)}
      </Box>
      <Box
        as="td"
        textAlign="right"
        pr={{ base: '2', sm: '4' }}
        whiteSpace="nowrap"
        fontWeight="600"
      >
        {say(row.actual)}
      </Box>
      <Box as="td" w={{ base: 'auto', sm: '30%' }} minW={{ base: '52px', sm: '110px' }}>
        <Flex align="center" gap="3">
          <Box
            position="relative"
            flex="1"
            h="8px"
            bg="faint"
            display={{ base: 'none', sm: 'block' }}
          >
            <Box position="absolute" left="50%" top="-3px" h="14px" w="1px" bg="muted" />
            <Box
              position="absolute"
              top="0"
              h="8px"
              bg="ink"
              style={{ width: `${reach}%`, left: percent >= 0 ? '50%' : `${50 - reach}%` }}
            />
          </Box>
          <Text as="span" fontSize="sm" whiteSpace="nowrap" w="62px">
            {percent >= 0 ? '+' : '−'}
            {Math.abs(percent).toFixed(1)} %
          </Text>
        </Flex>
      </Box>
    </Box>
  );
}
