import { Box, Flex } from '@chakra-ui/react';
import { Grid3x3, Image, Route, Type, ZoomIn, ZoomOut } from 'lucide-react';
import { Button } from '../../../ui/shell/button';
import { ToolButton } from '../../../ui/shell/tool-button';
import { ZOOMS } from './view';

/** How the loom is seen. */
export interface Sight {
  readonly zoom: number;
  readonly lanes: boolean;
}

interface Props {
  readonly sight: Sight;
  readonly onSight: (sight: Sight) => void;
  readonly onReady: () => void;
  readonly onPicture: () => void;
  readonly onText: () => void;
}

/** Where patterns come from, and how large they are seen. */
export function ViewBar({ sight, onSight, onReady, onPicture, onText }: Props) {
  const { zoom, lanes } = sight;
  return (
    <Flex gap="2" flexWrap="wrap" align="center">
      <Button onClick={onReady}>
        <Grid3x3 size={18} /> Ready patterns
      </Button>
      <Button onClick={onPicture}>
        <Image size={18} /> From a picture
      </Button>
      <Button onClick={onText}>
        <Type size={18} /> As text
      </Button>
      <Box flex="1" />
      <Flex role="group" aria-label="How the loom is seen">
        <ToolButton
          label="Smaller"
          disabled={zoom <= ZOOMS.min}
          onClick={() => onSight({ zoom: zoom - 1, lanes })}
        >
          <ZoomOut size={18} />
        </ToolButton>
        <ToolButton
          label="Larger"
          disabled={zoom >= ZOOMS.max}
          onClick={() => onSight({ zoom: zoom + 1, lanes })}
        >
          <ZoomIn size={18} />
        </ToolButton>
        <ToolButton
          label="The way of every strand"
          aria-pressed={lanes}
          onClick={() => onSight({ zoom, lanes: !lanes })}
          color={lanes ? 'chalk' : undefined}
        >
          <Route size={18} />
        </ToolButton>
      </Flex>
    </Flex>
  );
}
