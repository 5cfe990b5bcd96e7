import { useLocalSearchParams } from 'expo-router';
import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import { useSelector } from 'react-redux';
import { useSessionQuery } from '@/features/account';
import { keepCodeReader, selectWaitingPhotos } from '@/features/capture';
import { counted } from '@/lib/counted';
import { forgetParcel, type KeptParcel } from '@/lib/deviceStore';
import { NotFetched } from '@/lib/fetchFile';
import { formatWhen } from '@/lib/formatDate';
import { Button, Heading, LoadingLines, Notice, Page, Serif, Soft, Subheading } from '@/ui';
import { Arrived } from './Arrived';
import { MeetingPanel } from './MeetingPanel';
import { packWaiting } from './pack';
import { keptParcels } from './parcels';
import { contentWords } from './words';

/** What goes from this device to another one straight away, or has come from there. */
export function BetweenScreen() {
  const { data: session } = useSessionQuery();
  if (!session) return <LoadingLines />;
  return <Between accountId={session.user.id} from={`${session.user.name}, ${session.workspace.name}`} />;
}

/** A parcel that is being given, or one that is taken. */
type Meeting = { give: KeptParcel } | 'take';

function Between({ accountId, from }: { accountId: string; from: string }) {
  const { give: asked } = useLocalSearchParams<{ give?: string }>();
  const [parcels, setParcels] = useState<KeptParcel[]>();
  const [unreadable, setUnreadable] = useState(false);
  const [meeting, setMeeting] = useState<Meeting>();
  const look = useCallback(() => keptParcels(accountId).then(setParcels, () => setUnreadable(true)), [accountId]);
  useEffect(() => {
    void look();
  }, [look]);
  useEffect(() => void keepCodeReader(), []);
  if (typeof RTCPeerConnection === 'undefined' || !globalThis.isSecureContext)
    return (
      <Page measure={620}>
        <Heading>Device to device</Heading>
        <Notice fault>
          This browser does not connect to other devices from here. Open Dossier over https, or in another browser.
        </Notice>
      </Page>
    );
  if (meeting)
    return (
      <Page measure={620}>
        <MeetingPanel
          accountId={accountId}
          from={from}
          give={meeting === 'take' ? undefined : meeting.give}
          onChange={look}
          onClose={() => {
            setMeeting(undefined);
            void look();
          }}
        />
      </Page>
    );
  const ready = (parcels ?? []).filter(({ way }) => way === 'give');
  const arrived = (parcels ?? []).filter(({ way }) => way === 'take');
  return (
    <Page measure={620}>
      <View className="gap-5">
        <View className="gap-1">
          <Heading>Device to device</Heading>
          <Soft>
            People and cards go straight from one phone or computer to another in the same network, encrypted, and
            without a server: also where there is no signal.
          </Soft>
        </View>
        <View className="items-start">
          <Button look="ink" onPress={() => setMeeting('take')}>
            Take from another device
          </Button>
        </View>
        {unreadable ? <Notice fault>What is kept on this device cannot be read. Is there room on it?</Notice> : null}
        {arrived.length > 0 ? (
          <View role="region" aria-label="What has come">
            <Subheading>What has come</Subheading>
            {arrived.map((parcel) => (
              <Arrived key={parcel.key} accountId={accountId} parcel={parcel} onChange={look} />
            ))}
          </View>
        ) : null}
        <View role="region" aria-label="Ready to give" className="gap-1">
          <Subheading>Ready to give</Subheading>
          {ready.map((parcel) => (
            <View key={parcel.key} className={`gap-2 border-b border-rule py-3 ${parcel.id === asked ? 'bg-table px-3' : ''}`}>
              <Serif className="text-[19px] leading-[25px]">{contentWords(parcel.items)}</Serif>
              <Soft>{`on this device since ${formatWhen(new Date(parcel.at).toISOString())}`}</Soft>
              <View className="flex-row flex-wrap gap-3">
                <Button look="ink" label={`Give ${contentWords(parcel.items)}`} onPress={() => setMeeting({ give: parcel })}>
                  Give
                </Button>
                <Button look="brick" onPress={() => void forgetParcel(parcel.key).then(look)}>
                  Remove from this device
                </Button>
              </View>
            </View>
          ))}
          <Waiting accountId={accountId} onReady={look} />
          {parcels && ready.length === 0 ? (
            <Soft>
              Nothing yet. Choose people in their list and “Take out”, or cards in the tray and “To a device”.
            </Soft>
          ) : null}
        </View>
      </View>
    </Page>
  ); // prettier-ignore
}

/** Photographs that could not be sent yet need no server to be given either. */
function Waiting({ accountId, onReady }: { accountId: string; onReady: () => void }) {
  const photos = useSelector(selectWaitingPhotos);
  const [problem, setProblem] = useState<string>();
  if (photos.length === 0) return null;
  const pack = () =>
    packWaiting(accountId, photos).then(onReady, (error: unknown) =>
      setProblem(error instanceof NotFetched ? error.message : 'They could not be made ready. Is there room on this device?'),
    ); // prettier-ignore
  return (
    <View className="items-start gap-2 py-2">
      {problem ? <Notice fault>{problem}</Notice> : null}
      <Button onPress={() => void pack()}>
        {`Make ready ${counted(photos.length, 'photograph')} that ${photos.length === 1 ? 'waits' : 'wait'} here`}
      </Button>
    </View>
  );
}
