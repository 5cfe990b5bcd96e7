import { useState } from 'react';
import { View } from 'react-native';
import { Button, Raw, Soft, Text } from '@/ui';

interface Props {
  token: string;
  /** Of the program. */
  name: string;
  onDone: () => void;
}

/** A token, this once. */
export function GivenToken({ token, name, onDone }: Props) {
  const [copied, setCopied] = useState(false);
  const copy = () =>
    navigator.clipboard.writeText(token).then(
      () => setCopied(true),
      () => undefined,
    );
  return (
    <View role="group" aria-label={`Token for ${name}`} className="gap-2 border-l-[3px] border-ink pl-4">
      <Text role="status">{`Put this token into ${name} now. It is not shown again.`}</Text>
      <Raw selectable className="[overflow-wrap:anywhere]">
        {token}
      </Raw>
      <Soft>Whoever has it is let in as this program: keep it like a password.</Soft>
      <View className="flex-row flex-wrap gap-3">
        {navigator.clipboard ? (
          <Button look="ink" onPress={() => void copy()}>
            {copied ? 'Copied' : 'Copy token'}
          </Button>
        ) : null}
        <Button look="bare" onPress={onDone}>
          Done
        </Button>
      </View>
    </View>
  );
}
