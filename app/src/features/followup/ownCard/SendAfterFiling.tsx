import type { FilingRequest } from '@dossier/contract';
import { emptyPersonFields } from '@dossier/core/people';
import { useDispatch } from 'react-redux';
import { v7 as uuidv7 } from 'uuid';
import { useMay, useSessionQuery } from '@/features/account';
import { keepForLater, type WaitingRequest } from '@/lib/outbox';
import { Button, Soft } from '@/ui';
import { useOwnCardQuery } from './api';
import { TextIt } from './SendOwnCard';
import { textLink } from './textLink';

interface Props {
  /** The filing that is still held back. */
  filing: WaitingRequest;
  /** What waits behind it already. */
  waiting: readonly WaitingRequest[];
}

export const sendsOwnCard = ({ path }: Pick<WaitingRequest, 'path'>): boolean =>
  /^\/cards\/[^/]+\/own-card$/.test(path);

/** One's own card to whoever is just being filed: it goes once they are, and not if that is undone. */
export function SendAfterFiling({ filing, waiting }: Props) {
  const dispatch = useDispatch();
  const may = useMay();
  const { data: session } = useSessionQuery();
  const { data: card } = useOwnCardQuery(undefined, { skip: !may('write') });
  const fields = { ...emptyPersonFields(), ...(filing.body as FilingRequest).fields };
  if (!may('write') || !session || !filing.cardId) return null;
  if (waiting.some((one) => one.cardId === filing.cardId && sendsOwnCard(one)))
    return <Soft role="status">Your card goes too.</Soft>;
  const send = () =>
    void keepForLater(session.user.id, {
      method: 'POST',
      path: `/cards/${filing.cardId}/own-card`,
      body: { id: uuidv7() },
      words: 'Send your card',
      cardId: filing.cardId,
      notBefore: filing.notBefore,
    })(dispatch);
  const text = textLink(fields as Parameters<typeof textLink>[0], card);
  if (fields.emails.length > 0)
    return (
      <Button look="bare" onPress={send}>
        Send my card
      </Button>
    );
  return text ? <TextIt href={text} /> : null;
}
