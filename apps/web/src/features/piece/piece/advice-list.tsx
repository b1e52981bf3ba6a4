import { sameDocument, type Advice } from '@coiled-strand/core';
import { Box, Flex, Text } from '@chakra-ui/react';
import { CircleAlert, Info, TriangleAlert } from 'lucide-react';
import { memo, useCallback, useState } from 'react';
import { useSelection } from '../bench/selection-store';
import { Button } from '../../../ui/shell/button';
import { counted } from './counts';
import './live.css';
import { putAt } from './put-at';
import { usePiece } from './piece-store';
import { useUnits } from '../../../ui/settings/use-units';

const LOOK = {
  error: { icon: CircleAlert, colour: 'danger', bg: 'dangerFaint', word: 'Cannot be planned' },
  warning: { icon: TriangleAlert, colour: 'warn', bg: 'warnFaint', word: 'Check' },
  note: { icon: Info, colour: 'muted', bg: 'faint', word: 'Note' },
} as const;

interface OfferProps {
  readonly item: Advice;
}

/** What can be done about it at once: mend it, or look at the part it concerns. */
function Offers({ item: { fix, part } }: OfferProps) {
  const { say } = useUnits();
  if (!fix && part === undefined) return null;
  return (
    <Flex gap="4" flexWrap="wrap">
      {fix && (
        <Button
          variant="text"
          fontSize="sm"
          onClick={() => usePiece.getState().edit((piece) => putAt(piece, fix.path, fix.value))}
        >
          {say(fix.label)}
        </Button>
      )}
      {part !== undefined && (
        <Button variant="text" fontSize="sm" onClick={() => useSelection.getState().select(part)}>
          Show where
        </Button>
      )}
    </Flex>
  );
}

/** One piece of advice, drawn anew only when it says something else. */
const AdviceRow = memo(
  function AdviceRow({ item }: OfferProps) {
    const { say } = useUnits();
    const look = LOOK[item.severity];
    const Icon = look.icon;
    return (
      <Flex gap="3" bg={look.bg} borderRadius="soft" px="3" py="2" data-advice={item.code}>
        <Box color={look.colour} pt="1" flexShrink={0}>
          <Icon size={18} aria-label={look.word} />
        </Box>
        <Box>
          <Text fontWeight="600" lineHeight="1.35">
            {say(item.message)}
          </Text>
          <Text fontSize="sm" lineHeight="1.35">
            {say(item.remedy)}
          </Text>
          <Offers item={item} />
        </Box>
      </Flex>
    );
  },
  (before, after) => sameDocument(before.item, after.item),
);

/**
 * What the plan finds to say, with what to do about it. Where there is little room, notes wait behind a
 * line that counts them, so that they do not push the work away.
 */
export function AdviceList({ advice }: { readonly advice: readonly Advice[] }) {
  const [open, setOpen] = useState(false);
  const toggle = useCallback(() => setOpen((was) => !was), []);
  if (advice.length === 0) return null;
  const notes = advice.filter(({ severity }) => severity === 'note');
  return (
    <div className="live-advice" role="status" aria-label="Advice">
      <Rows advice={advice.filter(({ severity }) => severity !== 'note')} />
      {notes.length > 0 && <NotesButton count={notes.length} open={open} onClick={toggle} />}
      <div className={open ? 'live-notes live-notes-open' : 'live-notes'}>
        <Rows advice={notes} />
      </div>
    </div>
  );
}

interface NotesProps {
  readonly count: number;
  readonly open: boolean;
  readonly onClick: () => void;
}

/** Counts the notes, and shows them; where there is room they are in sight anyway. */
const NotesButton = memo(function NotesButton({ count, open, onClick }: NotesProps) {
  return (
    <Button
      variant="text"
      alignSelf="flex-start"
      display={{ base: 'inline-flex', lg: 'none' }}
      aria-expanded={open}
      onClick={onClick}
    >
      {open ? 'Hide the notes' : counted(count, 'note')}
    </Button>
  );
});

// Advice about the same thing keeps its place while its numbers change.
const Rows = ({ advice }: { readonly advice: readonly Advice[] }) =>
  advice.map((item, i) => <AdviceRow key={`${item.code}-${item.path}-${i}`} item={item} />);
