import { useRef, type ComponentProps } from 'react';
import { Button } from './button';

interface Props extends Omit<ComponentProps<typeof Button>, 'onClick'> {
  /** What the browser offers to choose from, as in an input of files. */
  readonly accept: string;
  readonly testId: string;
  readonly onFile: (file: File) => void;
}

/** A button that lets a file be chosen; the same file may be chosen again. */
export function FileButton({ accept, testId, onFile, ...button }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...button} onClick={() => input.current?.click()} />
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        data-testid={testId}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
    </>
  );
}
