import type { AccessLink } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { formatWhen } from '@/lib/formatDate';
import { Button, Raw, Soft, Text } from '@/ui';

interface Props {
  link: AccessLink;
  /** Whose it is. */
  name: string;
  onDone: () => void;
}

/** A link that is shown once, to be given to one person. */
export function GivenLink({ link, name, onDone }: Props) {
  const address = new URL(link.path, globalThis.location.origin).href;
  const [copied, setCopied] = useState(false);
  const copy = () =>
    navigator.clipboard?.writeText(address).then(
      () => setCopied(true),
      () => undefined,
    );
  const share = { title: 'Dossier', text: `Your link to Dossier, ${name}`, url: address };
  return (
    <View role="group" aria-label={`Link for ${name}`} className="gap-2 border-l-[3px] border-ink pl-4">
      <Text role="status">{`Give this link to ${name}, and to nobody else. It lets one person in, once.`}</Text>
      <Raw selectable className="[overflow-wrap:anywhere]">
        {address}
      </Raw>
      <Soft>{`It ends ${formatWhen(link.endsAt)}, and is not shown again.`}</Soft>
      {/^(localhost|127\.|\[::1\])/.test(globalThis.location.hostname) ? (
        <Soft>
          It leads to this machine only. For somebody elsewhere, open Dossier under the address that they reach it by,
          and make the link there.
        </Soft>
      ) : null}
      <View className="flex-row flex-wrap gap-3">
        {navigator.clipboard ? (
          <Button look="ink" onPress={() => void copy()}>
            {copied ? 'Copied' : 'Copy link'}
          </Button>
        ) : null}
        {navigator.canShare?.(share) ? (
          <Button onPress={() => void navigator.share(share).catch(() => undefined)}>Send it</Button>
        ) : null}
        <Button look="bare" onPress={onDone}>
          Done
        </Button>
      </View>
    </View>
  );
}
