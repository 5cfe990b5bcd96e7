import { Link } from 'expo-router';
import { View } from 'react-native';
import { useDispatch, useSelector } from 'react-redux';
import { selectWaitingPhotos } from '@/features/capture';
import { forgetRequest, isHeld, selectWaitingRequests, sendRequestAgain, type WaitingRequest } from '@/lib/outbox';
import { Button, Serif, Soft, Subheading, Text } from '@/ui';
import { WaitingRow } from './WaitingRow';

/** Everything that only this device has until now, in the order in which it will be sent. */
export function WaitingHere() {
  const photos = useSelector(selectWaitingPhotos);
  const requests = useSelector(selectWaitingRequests);
  const rows = [
    ...photos.map((photo) => ({ id: photo.id, row: <WaitingRow key={photo.id} photo={photo} /> })),
    ...requests
      .filter((request) => !isHeld(request))
      .map((request) => ({ id: request.id, row: <RequestRow key={request.id} request={request} /> })),
  ].sort((a, b) => (a.id < b.id ? -1 : 1));
  if (rows.length === 0) return null;
  return (
    <View role="region" aria-label="On this device" className="pb-4">
      <Subheading>On this device</Subheading>
      {photos.length > 0 ? (
        <Link href="/between">
          <View className="min-h-touch justify-center">
            <Text className="text-[15px] underline underline-offset-4">Give them to another device</Text>
          </View>
        </Link>
      ) : null}
      {rows.map(({ row }) => row)}
    </View>
  );
}

/** Something done without a network. */
function RequestRow({ request }: { request: WaitingRequest }) {
  const dispatch = useDispatch();
  return (
    <View className="gap-1 border-b border-rule py-3">
      <Serif className="text-[19px] leading-[25px]">{request.words}</Serif>
      <Soft>{request.refusal ?? 'on this device · sent as soon as Dossier can be reached'}</Soft>
      {request.refusal ? (
        <View className="flex-row flex-wrap items-center gap-3">
          {request.cardId ? (
            <Link href={`/file/${request.cardId}`} onPress={() => void forgetRequest(request.id)(dispatch)}>
              <View className="min-h-touch justify-center">
                <Text className="underline underline-offset-4">Open the card</Text>
              </View>
            </Link>
          ) : null}
          <Button onPress={() => void sendRequestAgain(request.id)(dispatch)}>Send again</Button>
          <Button look="brick" onPress={() => void forgetRequest(request.id)(dispatch)}>
            Remove from this device
          </Button>
        </View>
      ) : null}
    </View>
  );
}
