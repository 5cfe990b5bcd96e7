import { useRef } from 'react';
import { Button } from './Button';

interface Props {
  children: string;
  /** Media types, as the browser's chooser wants them. */
  accept?: string;
  busy?: boolean;
  onPick: (file: File) => void;
}

/** A button that asks for one file. The same file may be picked again. */
export function PickFile({ children, accept, busy, onPick }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={children}
        tabIndex={-1}
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onPick(file);
        }}
      />
      <Button busy={busy} onPress={() => input.current?.click()}>
        {children}
      </Button>
    </>
  );
}
