import { Box } from '@chakra-ui/react';
import { usePreferences } from '../../../ui/settings/use-preferences';
import {
  drawInSpace,
  drawOpened,
  fileNameOf,
  mirroredInSpace,
  openableOf,
  strandAlone,
  TIGHTENED_CURVES,
  type Piece,
  type Plan,
  type SpaceScene,
} from '@coiled-strand/core';
import { Download, ImageDown } from 'lucide-react';
import { useMemo, useState } from 'react';
import { SelectField } from '../../../ui/fields/select-field';
import { Button } from '../../../ui/shell/button';
import { ToolButton } from '../../../ui/shell/tool-button';
import { saveFile } from '../../../ui/shell/save-file';
import { FlatScene } from './flat-scene';
import { Openness } from './openness';
import { SpaceView } from './space-view';
import { drawStill } from './stills';
import { useOpening } from './use-opening';
import { useLook, type Look } from './view-store';
import { drawsApart } from './webgl';

interface Props {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly label: string;
  /** One part of it alone. */
  readonly only?: string;
  /** Goes back to all of it. */
  readonly onAll?: () => void;
}

async function saveGltf(scene: SpaceScene, name: string): Promise<void> {
  const { gltfOf } = await import('./gltf');
  const text = JSON.stringify(await gltfOf(scene));
  saveFile(fileNameOf(name, 'gltf'), 'model/gltf+json', text);
}

/** Large enough to print a hand wide. */
const PICTURE = { width: 1600, height: 800, dots: 1 } as const;

async function savePicture(scene: SpaceScene, look: Look, name: string): Promise<void> {
  saveFile(
    fileNameOf(name, 'png'),
    'image/png',
    await drawStill(() => ({ scene, look, ...PICTURE })),
  );
}

/** A piece or a part by the curves that it is measured by. */
export function SeenInSpace({ piece, plan, label, only, onAll }: Props) {
  const { hand } = usePreferences();
  const [alone, setAlone] = useState<number | null>(null);
  // A piece of one part is opened out as that part, and is whole again when it is tight.
  const part = only ?? (piece.parts.length === 1 ? piece.parts[0]!.id : null);
  const openable = useMemo(
    () => (part === null ? null : openableOf(piece, plan, part, TIGHTENED_CURVES)),
    [piece, plan, part],
  );
  const moments = useOpening(openable);
  /** Which moment of the knot is looked at, of which part; else it is tight. */
  const [opened, setOpened] = useState<{ readonly part: string; readonly at: number } | null>(null);
  const at = opened?.part === part && opened ? Math.min(opened.at, moments.length) : moments.length;
  const moment = moments[at];
  const whole = useMemo(() => {
    const drawn =
      part !== null && openable && moment
        ? drawOpened(piece, plan, part, openable, moment, TIGHTENED_CURVES)
        : drawInSpace(piece, plan, TIGHTENED_CURVES, only);
    return hand === 'left' ? mirroredInSpace(drawn) : drawn;
  }, [piece, plan, only, part, openable, moment, hand]);
  const strands = useMemo(
    () => [...new Set(whole.cords.map(({ strand }) => strand))].sort((a, b) => a - b),
    [whole],
  );
  const shown = alone !== null && strands.includes(alone) ? alone : null;
  const scene = useMemo(() => (shown === null ? whole : strandAlone(whole, shown)), [whole, shown]);
  const name = only ? `${piece.name} ${label}` : piece.name;
  return (
    <Box>
      <SpaceView
        scene={scene}
        label={label}
        height={300}
        flat={<FlatScene scene={scene} label={label} height={300} />}
      >
        <ToolButton label="Save as glTF" onClick={() => void saveGltf(scene, name)}>
          <Download size={18} />
        </ToolButton>
        {drawsApart() && (
          <ToolButton
            label="Save as a picture"
            onClick={() => void savePicture(scene, useLook.getState().look, name)}
          >
            <ImageDown size={18} />
          </ToolButton>
        )}
        {strands.length > 1 && (
          <Box w="150px">
            <SelectField
              label="Cords shown"
              hideLabel
              value={shown === null ? '' : String(shown)}
              options={[
                { value: '', label: 'All cords' },
                ...strands.map((one) => ({ value: String(one), label: `Cord ${one} alone` })),
              ]}
              onChange={(value) => setAlone(value === '' ? null : Number(value))}
            />
          </Box>
        )}
        {onAll && (
          <Button variant="bare" onClick={onAll}>
            The whole piece
          </Button>
        )}
      </SpaceView>
      {part !== null && moments.length > 0 && (
        <Openness
          moments={moments.length + 1}
          at={at}
          onChange={(next) => setOpened({ part, at: next })}
        />
      )}
    </Box>
  );
}
