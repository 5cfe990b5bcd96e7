import type { Attachment } from '@dossier/contract';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Notice, PickFile, Soft } from '@/ui';
import { useAddAttachmentMutation } from '../api';

interface Props {
  files: readonly Attachment[];
  onChange: (files: readonly Attachment[]) => void;
}

/** Files that go along with a message. */
export function FilesAlong({ files, onChange }: Props) {
  const [add, { error, isLoading }] = useAddAttachmentMutation();
  const take = async (file: File) => {
    const added = (await add(file)).data;
    if (added) onChange([...files, added]);
  };
  return (
    <View className="gap-1">
      {files.map((file) => (
        <View key={file.id} className="flex-row items-center gap-2">
          <Soft className="min-w-0 flex-1 [overflow-wrap:anywhere]">{file.name}</Soft>
          <Button
            look="bare"
            label={`Leave out ${file.name}`}
            onPress={() => onChange(files.filter((one) => one.id !== file.id))}
          >
            Leave out
          </Button>
        </View>
      ))}
      <View className="items-start">
        <PickFile busy={isLoading} onPick={(file) => void take(file)}>
          Add a file
        </PickFile>
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
