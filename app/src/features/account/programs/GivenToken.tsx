import { useState } from 'react';
import { View } from 'react-native';
import { Button, Raw, Soft, Text } from '@/ui';

interface Props {
  /** What lets a program in, or what it knows by that it was us who told it. */
  kind?: 'token' | 'secret';
  token: string;
  /** Of the program. */
  name: string;
  onDone: () => void;
}

/** A token or a secret, this once. */
export function GivenToken({ kind = 'token', token, name, onDone }: Props) {
  const [copied, setCopied] = useState(false);
  const copy = () =>
    navigator.clipboard.writeText(token).then(
      () => setCopied(true),
      () => undefined,
    );
  return (
    <View
      role="group"
      aria-label={`${kind === 'token' ? 'Token' : 'Secret'} for ${name}`}
      className="gap-2 border-l-[3px] border-ink pl-4"
    >
      <Text role="status">{`Put this ${kind} into ${name} now. It is not shown again.`}</Text>
      <Raw selectable className="[overflow-wrap:anywhere]">
        {token}
      </Raw>
      <Soft>
        {kind === 'token'
          ? 'Whoever has it is let in as this program: keep it like a password.'
          : 'What is told is signed with it: by that the receiver knows that it comes from here.'}
      </Soft>
      <View className="flex-row flex-wrap gap-3">
        {navigator.clipboard ? (
          <Button look="ink" onPress={() => void copy()}>
            {copied ? 'Copied' : `Copy ${kind}`}
          </Button>
        ) : null}
        <Button look="bare" onPress={onDone}>
          Done
        </Button>
      </View>
    </View>
  );
}
