import { Flex, Text } from '@chakra-ui/react';
import type { MadeLinkView } from '@coiled-strand/contract';
import { Check, Copy } from 'lucide-react';
import { useRef, useState } from 'react';
import { TextRow } from '../../../../ui/fields/text-row';
import { sayWhen } from '../../people/when';
import { Button } from '../../../../ui/shell/button';
import { Modal } from '../../../../ui/shell/modal';

interface Props {
  readonly title: string;
  readonly about: string;
  readonly link: MadeLinkView;
  /** Where it leads. */
  readonly page: 'join' | 'reset';
  readonly onClose: () => void;
}

/** A link that was made. It is shown this once: nobody can look it up afterwards. */
export function MadeLink({ title, about, link, page, onClose }: Props) {
  const field = useRef<HTMLInputElement>(null);
  const [copied, setCopied] = useState(false);
  const url = `${window.location.origin}/${page}#${link.token}`;
  const copy = async (): Promise<void> => {
    field.current?.select();
    try {
      await navigator.clipboard.writeText(url);
      setCopied(true);
    } catch {
      // Over a plain line browsers do not let a page do that: it is selected, to be copied by hand.
    }
  };
  return (
    <Modal
      open
      onClose={onClose}
      title={title}
      description={about}
      dismissible={false}
      footer={
        <Button variant="solid" onClick={onClose}>
          Done
        </Button>
      }
    >
      <Flex gap="3" align="flex-end">
        <TextRow ref={field} label="Link" value={url} readOnly onFocus={(e) => e.target.select()} />
        <Button onClick={() => void copy()}>
          {copied ? <Check size={18} /> : <Copy size={18} />} {copied ? 'Copied' : 'Copy'}
        </Button>
      </Flex>
      <Text color="muted" mt="3">
        It holds until {sayWhen(link.until)} and is shown this once. Hand it over yourself, or send
        it where only they read it: whoever has it comes in.
      </Text>
    </Modal>
  );
}
