import { chakra } from '@chakra-ui/react';
import { memo, useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import '../../piece/live.css';
import { STAGES, type StageId } from '../../piece/stages';

const StageLink = chakra(NavLink, {
  base: {
    position: 'relative',
    flex: '1 0 auto',
    minW: { base: '116px', md: '130px' },
    px: { base: '3', md: '5' },
    py: '2',
    color: 'ink',
    textDecoration: 'none',
    _hover: { bg: 'faint' },
    _before: {
      content: '""',
      position: 'absolute',
      insetX: { base: '3', md: '5' },
      top: '0',
      h: '3px',
      bg: 'transparent',
    },
    '&[aria-current=page]::before': { bg: 'chalk' },
  },
});

interface TabProps {
  readonly path: string;
  readonly search: string;
  readonly label: string;
  readonly status: string;
}

/** Drawn anew only when its own line changes: during a drag most do not. */
const StageTab = memo(function StageTab({ path, search, label, status }: TabProps) {
  const here = useLocation().pathname === path;
  const tab = useRef<HTMLAnchorElement>(null);
  // On a narrow screen the line of stages is longer than the screen: the stage at hand is in sight.
  useEffect(() => {
    if (here) tab.current?.scrollIntoView?.({ inline: 'center', block: 'nearest' });
  }, [here]);
  return (
    <StageLink ref={tab} to={{ pathname: path, search }}>
      <span className="live-stage">{label}</span>
      <span className="live-status">{status}</span>
    </StageLink>
  );
});

interface Props {
  readonly pieceId: string;
  readonly status: Readonly<Record<StageId, string>>;
}

/** The stages along the edge of the bench, each with its answer or what it still needs. */
export function StageNav({ pieceId, status }: Props) {
  const { search } = useLocation();
  return (
    <nav aria-label="Stages" className="live-stages no-print">
      {STAGES.map(({ id, label }) => (
        <StageTab
          key={id}
          path={`/pieces/${pieceId}/${id}`}
          search={search}
          label={label}
          status={status[id]}
        />
      ))}
    </nav>
  );
}
