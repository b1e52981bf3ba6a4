import { TAG_LIMITS } from '@coiled-strand/contract';
import { useState } from 'react';
import { useRenameTag } from '../../../../data/api/version-queries';
import { TextRow } from '../../../../ui/fields/text-row';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { Button } from '../../../../ui/shell/button';

interface RenameProps {
  readonly tag: string;
  readonly onClose: () => void;
  readonly onRenamed: (to: string) => void;
}

/** A tag called otherwise on every piece, put together with another, or taken off them all. */
export function RenameTagDialog({ tag, onClose, onRenamed }: RenameProps) {
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
