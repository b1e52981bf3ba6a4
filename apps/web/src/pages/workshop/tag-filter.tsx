import { Flex, Text } from '@chakra-ui/react';
import { TAG_LIMITS } from '@coiled-strand/contract';
import { useState } from 'react';
import { useRenameTag, useTags } from '../../api/version-queries';
import { TextRow } from '../../fields/text-row';
import { ForMakers } from '../../frame/for-makers';
import { useAsked } from '../../frame/use-asked';
import { AskDialog } from '../../shell/ask-dialog';
import { Button } from '../../shell/button';
import { selectable } from '../../shell/selectable';

/** Shows the pieces under one tag alone; a tag can be called otherwise everywhere. */
export function TagFilter() {
  const { asked, ask } = useAsked();
  const { data: tags = [] } = useTags();
  const [renaming, setRenaming] = useState(false);
  const chosen = asked('tag');
  if (tags.length === 0 && chosen === '') return null;
  return (
    <Flex gap="2" flexWrap="wrap" align="center" mb="6" role="group" aria-label="Tags">
      <Chip label="All" chosen={chosen === ''} onChoose={() => ask('tag', '')} />
      {tags.map(({ tag, pieces }) => (
        <Chip
          key={tag}
          label={tag}
          count={pieces}
          chosen={tag === chosen}
          onChoose={() => ask('tag', tag === chosen ? '' : tag)}
        />
      ))}
      {chosen !== '' && (
        <ForMakers>
          <Button variant="text" onClick={() => setRenaming(true)}>
            Rename {chosen}
          </Button>
        </ForMakers>
      )}
      {renaming && (
        <RenameTag
          tag={chosen}
          onClose={() => setRenaming(false)}
          onRenamed={(to) => ask('tag', to)}
        />
      )}
    </Flex>
  );
}

interface ChipProps {
  readonly label: string;
  readonly count?: number;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

const Chip = ({ label, count, chosen, onChoose }: ChipProps) => (
  <Button variant="bare" px="3" aria-pressed={chosen} {...selectable(chosen)} onClick={onChoose}>
    {label}
    {count !== undefined && (
      <Text as="span" color="muted" fontWeight="400">
        {count}
      </Text>
    )}
  </Button>
);

interface RenameProps {
  readonly tag: string;
  readonly onClose: () => void;
  readonly onRenamed: (to: string) => void;
}

function RenameTag({ tag, onClose, onRenamed }: RenameProps) {
  const [name, setName] = useState(tag);
  const rename = useRenameTag();
  const to = name.trim();
  const done = (now: string): void => {
    onRenamed(now);
    onClose();
  };
  return (
    <AskDialog
      title={`Rename ${tag}`}
      description="On every piece that has it. A name that another tag has already puts the two together."
      action="Rename it"
      doing={[rename]}
      ready={to !== '' && to !== tag}
      onDo={async () => {
        await rename.mutateAsync({ from: tag, to });
        done(to);
      }}
      onClose={onClose}
      other={
        <Button
          disabled={rename.isPending}
          onClick={() => rename.mutate({ from: tag }, { onSuccess: () => done('') })}
        >
          Take it off all pieces
        </Button>
      }
    >
      <TextRow
        label="Name"
        value={name}
        maxLength={TAG_LIMITS.length}
        autoFocus
        onChange={(event) => setName(event.target.value)}
      />
    </AskDialog>
  );
}
