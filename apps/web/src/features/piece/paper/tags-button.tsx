import { QrCode } from 'lucide-react';
import { Button } from '../../../ui/shell/button';
import { toaster } from '../../../ui/shell/toaster';
import { aloneHint, seenAlone } from './address';
import type { Tag, TagSize } from './labels';
import { usePaperSize, usePrinting } from './use-paper';

interface Props {
  /** What the file is called, and what is said at its foot. */
  readonly title: string;
  readonly label: string;
  readonly tags: () => readonly Tag[];
  readonly size?: TagSize;
}

/** Saves labels with codes, each of which opens what it is of on a phone. */
export function TagsButton({ title, label, tags, size = 'small' }: Props) {
  const [paper] = usePaperSize();
  const printing = usePrinting();
  return (
    <Button
      disabled={printing.isPending}
      onClick={() =>
        printing.mutate(
          { order: { what: 'tags', title, tags: tags(), size, paper }, name: title },
          {
            onSuccess: (said) =>
              toaster.create({ title: seenAlone() ? `${said} ${aloneHint()}` : said }),
            onError: (error) =>
              toaster.create({ title: `They could not be made: ${error.message}` }),
          },
        )
      }
    >
      <QrCode size={18} /> {printing.isPending ? 'Making the file …' : label}
    </Button>
  );
}
