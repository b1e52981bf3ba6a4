import { Box, Flex, Text } from '@chakra-ui/react';
import { TAG_LIMITS, type PieceView } from '@coiled-strand/contract';
import { useState } from 'react';
import { usePutTags, useTags } from '../../../../data/api/version-queries';
import { TextRow } from '../../../../ui/fields/text-row';
import { TickField } from '../../../../ui/fields/tick-field';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { Button } from '../../../../ui/shell/button';

interface Props {
  readonly view: PieceView;
  readonly onClose: () => void;
}

/** Under what a piece is sorted: tags that there are, and new ones. */
export function TagsDialog({ view, onClose }: Props) {
  const { data: known = [] } = useTags();
  const put = usePutTags();
  const [tags, setTags] = useState<readonly string[]>(view.tags);
  const [fresh, setFresh] = useState('');
  const named = fresh.trim();
  const all = [...new Set([...known.map(({ tag }) => tag), ...view.tags, ...tags])];
  const withFresh = named === '' || tags.includes(named) ? tags : [...tags, named];
  const add = (): void => {
    setTags(withFresh);
    setFresh('');
  };
  return (
    <AskDialog
      title={`Tags of ${view.piece.name}`}
      description="Words of your own, to find pieces by: for whom, for what, for which fair. They change nothing of the piece."
      action="Keep these"
      doing={[put]}
      ready={withFresh.length <= TAG_LIMITS.count}
      onDo={async () => {
        await put.mutateAsync({ id: view.id, tags: withFresh });
        onClose();
      }}
      onClose={onClose}
    >
      {all.length > 0 && (
        <Box role="group" aria-label="Tags" mb="4">
          {all.map((tag) => (
            <Box key={tag}>
              <TickField
                label={tag}
                checked={tags.includes(tag)}
                onChange={(on) =>
                  setTags((old) => (on ? [...old, tag] : old.filter((one) => one !== tag)))
                }
              />
            </Box>
          ))}
        </Box>
      )}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <Flex gap="3" align="flex-end">
          <TextRow
            label="A new tag"
            value={fresh}
            maxLength={TAG_LIMITS.length}
            autoFocus
            placeholder="Spring fair"
            onChange={(event) => setFresh(event.target.value)}
          />
          <Button type="submit" disabled={named === ''}>
            Add it
          </Button>
        </Flex>
      </form>
      {withFresh.length > TAG_LIMITS.count && (
        <Text color="danger" role="alert" mt="3">
          {TAG_LIMITS.count} tags are as many as a piece can have: take one off.
        </Text>
      )}
    </AskDialog>
  );
}
