import type { VersionView } from '@coiled-strand/contract';
import { useState } from 'react';
import { useKeepVersion, useNameVersion } from '../../../../data/api/version-queries';
import { TextRow } from '../../../../ui/fields/text-row';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { Button } from '../../../../ui/shell/button';

interface Props {
  readonly pieceId: string;
  /** One that is kept already; null to keep the piece as it is now. */
  readonly version: VersionView | null;
  readonly onClose: () => void;
}

const MAX_NAME_LENGTH = 80;

/** What a version is called. One with a name is never let go of. */
export function NameDialog({ pieceId, version, onClose }: Props) {
  const [name, setName] = useState(version?.name ?? '');
  const keep = useKeepVersion(pieceId);
  const rename = useNameVersion(pieceId);
  const put = async (to: string | null): Promise<void> => {
    if (version) await rename.mutateAsync({ id: version.id, name: to });
    else await keep.mutateAsync(to);
    onClose();
  };
  const clean = name.trim();
  return (
    <AskDialog
      title={version ? 'What it is called' : 'Keep it as it is now'}
      description="A version with a name stays, however much is changed after it."
      action={version ? 'Call it so' : 'Keep it'}
      doing={[keep, rename]}
      ready={clean !== ''}
      onDo={() => put(clean)}
      onClose={onClose}
      {...(version?.name
        ? {
            other: (
              <Button disabled={rename.isPending} onClick={() => void put(null).catch(() => null)}>
                Take the name off
              </Button>
            ),
          }
        : {})}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (clean !== '') void put(clean).catch(() => null);
        }}
      >
        <TextRow
          label="Name"
          value={name}
          maxLength={MAX_NAME_LENGTH}
          autoFocus
          placeholder="First try, narrower, as Ines liked it"
          onChange={(event) => setName(event.target.value)}
        />
      </form>
    </AskDialog>
  );
}
