import type { Person } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Soft } from '@/ui';
import { saveFile } from '@/lib/fetchFile';
import { platformHint } from './platformHint';

interface Props {
  person: Person;
  /** The person as a vCard, in the version that every device reads. */
  file: File;
}

/** One touch: through the system's sheet where there is one, else as a download; then what to do with it on this device. */
export function ToAddressBook({ person, file }: Props) {
  const [hint, setHint] = useState('');
  const canShare = typeof navigator.canShare === 'function' && navigator.canShare({ files: [file] });
  const give = () => {
    setHint(platformHint(navigator.userAgent, canShare));
    if (!canShare) return saveFile({ name: file.name, file });
    // Whoever thinks better of it has done nothing wrong.
    void navigator.share({ files: [file], title: person.fullName }).catch(() => setHint(''));
  };
  return (
    <View className="gap-1">
      <View className="flex-row">
        <Button onPress={give}>To this device’s address book</Button>
      </View>
      <View role="status">{hint ? <Soft>{hint}</Soft> : null}</View>
    </View>
  );
}
