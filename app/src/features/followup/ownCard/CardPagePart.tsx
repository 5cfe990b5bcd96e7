import type { OwnCard } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft, Subheading, Text, TextField } from '@/ui';
import { QrCode } from '@/ui/QrCode';
import { useEndCardPageMutation, useMakeCardPageMutation } from './api';
import { pageAddress } from './pageAddress';

/** The page that everybody finds who has its link: made, shown, and ended. */
export function CardPagePart({ card }: { card: OwnCard }) {
  const [make, making] = useMakeCardPageMutation();
  const [end, ending] = useEndCardPageMutation();
  const error = making.error ?? ending.error;
  const { page } = card;
  return (
    <View className="gap-3">
      <Subheading>A page for everybody who has the link</Subheading>
      {page ? (
        <ThePage page={page} />
      ) : (
        <Text>
          It shows your card, and visitors can leave their details there: they come into your tray. The link goes along
          when you send your card.
        </Text>
      )}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        <Button look={page ? 'plain' : 'ink'} busy={making.isLoading} onPress={() => void make()}>
          {page ? 'Make another link' : 'Make a page'}
        </Button>
        {page ? (
          <Button look="brick" busy={ending.isLoading} onPress={() => void end()}>
            End it
          </Button>
        ) : null}
      </View>
      {page ? <Soft>Another link ends this one: whoever has it finds nothing any more.</Soft> : null}
    </View>
  );
}

function ThePage({ page }: { page: NonNullable<OwnCard['page']> }) {
  const [copied, setCopied] = useState(false);
  const address = pageAddress(page);
  const copy = () => void navigator.clipboard?.writeText(address).then(() => setCopied(true), () => undefined); // prettier-ignore
  return (
    <View className="gap-3">
      <QrCode text={address} size={200} label="The link of your page as a QR code" />
      <TextField label="Its link" value={address} readOnly selectTextOnFocus />
      <Soft>{`Made ${formatWhen(page.madeAt)} · opened ${page.opened === 0 ? 'by nobody yet' : counted(page.opened, 'time')}`}</Soft>
      <View className="flex-row flex-wrap items-center gap-3">
        <Button onPress={copy}>{copied ? 'Copied' : 'Copy the link'}</Button>
        <a
          href={page.path}
          target="_blank"
          rel="noreferrer"
          style={{ color: 'rgb(var(--ink))', padding: '11px 0', textUnderlineOffset: 4 }}
        >
          <Text className="underline underline-offset-4">See it</Text>
        </a>
      </View>
    </View>
  );
}
