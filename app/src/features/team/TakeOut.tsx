import type { Member } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Notice, Select, Soft, Text } from '@/ui';
import { useTakeOutOfUseMutation } from './api';

interface Props {
  member: Member;
  others: readonly Member[];
  onDone: () => void;
}

/** Asks who takes over what somebody looks after; then nobody comes in with that account any more. */
export function TakeOut({ member, others, onDone }: Props) {
  const [handTo, setHandTo] = useState(others[0]?.id ?? '');
  const [takeOut, { isLoading, error }] = useTakeOutOfUseMutation();
  return (
    <View role="group" aria-label={`Take ${member.name} out of use`} className="gap-3 border-l-[3px] border-brick pl-4">
      <Text>
        {`${member.name} cannot sign in any more. People, cards in the tray, occasions and open questions go to a colleague; what ${member.name} did stays in every history.`}
      </Text>
      <View className="items-start gap-1">
        <Soft aria-hidden>Goes to</Soft>
        <Select
          label="Goes to"
          value={handTo}
          onChange={setHandTo}
          options={others.map(({ id, name }) => ({ value: id, label: name }))}
        />
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        <Button
          busy={isLoading}
          onPress={() => void takeOut({ id: member.id, handTo }).then((done) => !done.error && onDone())}
        >
          Take out of use
        </Button>
        <Button look="bare" onPress={onDone}>
          Cancel
        </Button>
      </View>
    </View>
  );
}
