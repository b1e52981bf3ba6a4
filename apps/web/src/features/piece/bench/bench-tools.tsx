import { Box, Flex } from '@chakra-ui/react';
import { Button } from '../../../ui/shell/button';
import { ToolButton } from '../../../ui/shell/tool-button';
import { Maximize2, Minus, Plus, Route, Ruler as RulerIcon, WrapText } from 'lucide-react';
import { useDevice } from '../../../data/device/device-store';
import { useSelection } from './selection-store';
import { REAL_SIZE, useBenchView } from './view-store';

interface Props {
  /** The flat view has tails to show and can be zoomed about its middle. */
  readonly flat: boolean;
}

/** Zoom, whole piece, real size; over the corner of the bench. */
export function BenchTools({ flat }: Props) {
  // While something is dragged the frame stands still; it is looked at as before, and as it will be again.
  const mode = useBenchView(({ held, framing }) => (held ?? framing).mode);
  const tails = useBenchView((view) => view.tails);
  const { setFraming, setTails, zoomBy, toggleFold } = useBenchView.getState();
  const folds = useBenchView((view) => view.frame?.folds ?? false);
  const lanes = useSelection((state) => state.lanes);
  const setLanes = useSelection((state) => state.setLanes);
  const calibrated = useDevice((device) => device.calibrated);
  return (
    <Flex gap="1">
      {flat && (
        <>
          <Button
            variant="bare"
            size="icon"
            aria-label="Tails"
            aria-pressed={tails}
            title="Show or hide the tails that are trimmed"
            onClick={() => setTails(!tails)}
            textDecoration={tails ? 'none' : 'line-through'}
            w="auto"
            px="3"
          >
            Tails
          </Button>
          <ToolButton
            label="Strands through the work"
            aria-pressed={lanes}
            onClick={() => setLanes(!lanes)}
          >
            <Route size={18} />
          </ToolButton>
          <ToolButton label="Zoom out" hotkey="−" onClick={() => zoomBy(1 / 1.3)}>
            <Minus size={18} />
          </ToolButton>
          <ToolButton label="Zoom in" hotkey="+" onClick={() => zoomBy(1.3)}>
            <Plus size={18} />
          </ToolButton>
        </>
      )}
      {flat && (folds || mode === 'folded') && (
        <ToolButton
          label="Folded in rows"
          hotkey="2"
          aria-pressed={mode === 'folded'}
          onClick={toggleFold}
        >
          <WrapText size={18} />
        </ToolButton>
      )}
      <ToolButton
        label="Whole piece"
        hotkey="0"
        aria-pressed={mode === 'whole'}
        onClick={() => setFraming({ mode: 'whole' })}
      >
        <Maximize2 size={17} />
      </ToolButton>
      <Button
        variant={mode === 'real' ? 'solid' : 'bare'}
        aria-pressed={mode === 'real'}
        aria-label="Real size"
        title={
          calibrated
            ? 'As large as the piece itself, by your screen setting (1)'
            : 'As large as the piece itself, if the screen is set right: see Settings (1)'
        }
        onClick={() => setFraming(REAL_SIZE)}
      >
        <RulerIcon size={17} />
        <Box as="span" display={{ base: 'none', md: 'inline' }}>
          Real size
        </Box>
      </Button>
    </Flex>
  );
}
