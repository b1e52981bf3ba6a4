import { Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { useTags } from '../../../../data/api/version-queries';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { useAsked } from '../../../../ui/frame/use-asked';
import { Button } from '../../../../ui/shell/button';
import { later } from '../../../../ui/shell/later';
import { selectable } from '../../../../ui/shell/selectable';

const RenameTagDialog = later(() => import('./rename-tag-dialog').then((m) => m.RenameTagDialog));

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
        <RenameTagDialog
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
