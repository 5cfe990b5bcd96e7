import { useRef, type KeyboardEvent, type ReactNode } from 'react';
import { Pressable } from 'react-native';

const HOLD_MS = 450;

interface Props {
  /** @param run everything since the row chosen before as well */
  onChoose: (run: boolean) => void;
  children: ReactNode;
}

/** Around the link of a row: held, with shift, or by the space bar, the row is chosen instead of opened. */
export function HoldToChoose({ onChoose, children }: Props) {
  const held = useRef<{ timer?: ReturnType<typeof setTimeout>; done: boolean }>({ done: false });
  const release = () => clearTimeout(held.current.timer);
  const hold = () => {
    held.current = {
      done: false,
      timer: setTimeout(() => {
        held.current.done = true;
        onChoose(false);
      }, HOLD_MS),
    };
  };
  return (
    // eslint-disable-next-line jsx-a11y/no-static-element-interactions -- the link inside is what has the focus
    <div
      style={{ flex: 1, minWidth: 0 }}
      onPointerDown={hold}
      onPointerUp={release}
      onPointerLeave={release}
      onPointerCancel={release}
      onKeyDown={(event) => {
        const row = event.currentTarget.closest('[role="listitem"]');
        // The link gives way to a box: whoever was on the one is on the other.
        if (onSpace(event, onChoose)) requestAnimationFrame(() => row?.querySelector<HTMLElement>('[role="checkbox"]')?.focus()); // prettier-ignore
      }}
      onClickCapture={(event) => {
        if (!held.current.done && !event.shiftKey) return;
        event.preventDefault();
        event.stopPropagation();
        if (event.shiftKey && !held.current.done) onChoose(true);
        held.current.done = false;
      }}
    >
      {children}
    </div>
  );
}

/** A row while rows are being chosen. */
export const ChooseRow = ({
  label,
  chosen,
  onChoose,
  children,
}: Props & { /** What a screen reader says. */ label: string; chosen: boolean }) => (
  <Pressable
    role="checkbox"
    aria-checked={chosen}
    aria-label={label}
    onPress={(event) => onChoose((event.nativeEvent as unknown as MouseEvent).shiftKey)}
    {...{ onKeyDown: (event: KeyboardEvent) => onSpace(event, onChoose) }}
    className={`w-full select-none border-b border-l-[3px] border-b-rule hover:bg-table ${chosen ? 'border-l-ink bg-table' : 'border-l-transparent'}`}
  >
    {children}
  </Pressable>
);

function onSpace(event: KeyboardEvent, onChoose: Props['onChoose']): boolean {
  if (event.key !== ' ') return false;
  event.preventDefault();
  onChoose(event.shiftKey);
  return true;
}
