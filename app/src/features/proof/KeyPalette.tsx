import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import { Button, Raw, Subheading, Text } from '@/ui';
import { DESK_KEYS, type DeskAct } from './deskKeys';

interface Props {
  acts: Readonly<Partial<Record<DeskAct, () => void>>>;
  onClose: () => void;
}

/** Every act of the desk with its key; what can be done now can be pressed here too. */
export function KeyPalette({ acts, onClose }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    // jsdom has no dialogs of its own.
    dialog.current?.showModal?.();
  }, []);
  return (
    <dialog
      ref={dialog}
      aria-label="All keys"
      onClose={onClose}
      style={{
        border: 0,
        padding: 0,
        borderRadius: 6,
        width: 'min(560px, 92vw)',
        maxHeight: '84vh',
        background: 'rgb(var(--paper))',
        boxShadow: '0 0 0 1px rgb(var(--ink)), 0 18px 60px rgb(0 0 0 / 0.3)',
      }}
    >
      <View className="gap-1 px-5 py-4">
        <View className="flex-row items-center justify-between">
          <Subheading>Keys</Subheading>
          <Button look="bare" onPress={onClose}>
            Close
          </Button>
        </View>
        {DESK_KEYS.filter(({ act }) => act !== 'palette').map(({ act, key, words }) => {
          const run = acts[act];
          return (
            <button
              key={act}
              type="button"
              disabled={!run}
              onClick={() => {
                onClose();
                run?.();
              }}
              style={{
                display: 'flex',
                justifyContent: 'space-between',
                gap: 16,
                padding: '7px 4px',
                border: 0,
                borderBottom: '1px solid rgb(var(--rule))',
                background: 'transparent',
                textAlign: 'left',
                opacity: run ? 1 : 0.75,
                cursor: run ? 'pointer' : 'default',
              }}
            >
              <Text className={`text-[15px] ${run ? '' : 'text-soft'}`}>{words}</Text>
              <Raw>{key}</Raw>
            </button>
          );
        })}
      </View>
    </dialog>
  );
}
