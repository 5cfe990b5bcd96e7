import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useDispatch } from 'react-redux';
import { forgetPhoto, keptBytes, type WaitingPhoto } from '@/features/capture';
import { formatWhen } from '@/lib/formatDate';
import { Button, CardImage, Serif, Soft } from '@/ui';

/** A photograph that only this device has until now. */
export function WaitingRow({ photo }: { photo: WaitingPhoto }) {
  const dispatch = useDispatch();
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    let made: string | undefined;
    void keptBytes(photo.id).then((bytes) => {
      if (!bytes) return;
      made = URL.createObjectURL(bytes);
      setUrl(made);
    });
    return () => {
      if (made) URL.revokeObjectURL(made);
    };
  }, [photo.id]);
  return (
    <View className="flex-row items-center gap-4 border-b border-rule py-3">
      {url ? <CardImage src={url} alt="" width={102} /> : <View className="h-[60px] w-[102px] rounded-card bg-table" />}
      <View className="flex-1 gap-[2px]">
        <Serif className="text-soft">{photo.name || 'A new photograph'}</Serif>
        <Soft>
          {photo.refusal ?? `on this device · sent as soon as Dossier can be reached · ${formatWhen(photo.takenAt)}`}
        </Soft>
        {photo.refusal ? (
          <View className="items-start">
            <Button look="brick" onPress={() => void forgetPhoto(photo.id)(dispatch)}>
              Remove from this device
            </Button>
          </View>
        ) : null}
      </View>
    </View>
  );
}
