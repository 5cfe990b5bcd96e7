import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { forgetPhoto, keptBytes, selectSending, sendAnyway, type WaitingPhoto } from '@/features/capture';
import { formatWhen } from '@/lib/formatDate';
import { Button, CardImage, Serif, Soft } from '@/ui';

/** A photograph that only this device has until now. */
export function WaitingRow({ photo }: { photo: WaitingPhoto }) {
  const dispatch = useDispatch();
  const sending = useSelector(selectSending);
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
  const share = sending?.id === photo.id ? sending.share : undefined;
  const state =
    photo.refusal ??
    (share === undefined
      ? `sent as soon as Dossier can be reached · ${formatWhen(photo.takenAt)}`
      : `being sent, ${Math.round(share * 100)} %`);
  return (
    <View className="flex-row items-center gap-4 border-b border-rule py-3">
      {url ? <CardImage src={url} alt="" width={102} /> : <View className="h-[60px] w-[102px] rounded-card bg-table" />}
      <View className="min-w-0 flex-1 gap-[2px]">
        <Serif numberOfLines={2} className="text-soft">
          {photo.name || 'A new photograph'}
        </Serif>
        <Soft>{state}</Soft>
        {share === undefined ? (
          <View className="-ml-4 flex-row flex-wrap items-start">
            {photo.refusal ? (
              <Button look="bare" onPress={() => void sendAnyway(photo.id)(dispatch)}>
                Send it anyway
              </Button>
            ) : null}
            <Button
              look="brick"
              label={`Remove ${photo.name || 'this photograph'} from this device`}
              onPress={() => void forgetPhoto(photo.id)(dispatch)}
            >
              Remove
            </Button>
          </View>
        ) : null}
      </View>
    </View>
  );
}
