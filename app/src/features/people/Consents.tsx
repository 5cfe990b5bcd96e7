import type { Consent, Person } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft, Subheading, Text } from '@/ui';
import { useGiveConsentMutation, useWithdrawConsentMutation } from './api';
import { CHANNELS, consentComplaint, ConsentFields, HOW_WORDS, NO_CONSENT } from './ConsentFields';

/** What a person agreed to, what is no longer so, and a new one. */
export function Consents({ person }: { person: Person }) {
  const [consent, setConsent] = useState<typeof NO_CONSENT>();
  const [give, { isLoading, error }] = useGiveConsentMutation();
  const complaint = consent && consent.channels.length > 0 ? consentComplaint(consent) : undefined;
  const save = async () => {
    const answer = await give({ id: person.id, consent: consent! });
    if (!answer.error) setConsent(undefined);
  };
  return (
    <View className="gap-3">
      <Subheading>Consent</Subheading>
      {person.consents.length === 0 && !consent ? (
        <Soft>Nothing was agreed. Without consent nothing is sent to this person.</Soft>
      ) : null}
      {person.consents.map((one) => (
        <Given key={one.id} consent={one} />
      ))}
      {consent ? (
        <View className="gap-3">
          <ConsentFields consent={consent} onChange={setConsent} />
          {complaint ? <Soft>{complaint}</Soft> : null}
          {error ? <Notice fault>{problemText(error)}</Notice> : null}
          <View className="flex-row gap-2">
            <Button
              look="ink"
              busy={isLoading}
              disabled={consentComplaint(consent) !== undefined}
              onPress={() => void save()}
            >
              Note consent
            </Button>
            <Button look="bare" onPress={() => setConsent(undefined)}>
              Leave it
            </Button>
          </View>
        </View>
      ) : (
        <View className="items-start">
          <Button onPress={() => setConsent(NO_CONSENT)}>Note a consent</Button>
        </View>
      )}
    </View>
  );
}

function Given({ consent }: { consent: Consent }) {
  const [withdraw, { isLoading, error }] = useWithdrawConsentMutation();
  const ways = CHANNELS.filter(({ value }) => consent.channels.includes(value)).map(({ label }) => label.toLowerCase());
  return (
    <View className="gap-1 border-l-2 border-ink pl-3">
      <Text
        className={consent.withdrawnAt ? 'text-soft line-through' : ''}
      >{`${consent.scope}, ${ways.join(', ')}`}</Text>
      {consent.wording ? <Soft>“{consent.wording}”</Soft> : null}
      <Soft>{`${HOW_WORDS[consent.how]}, noted by ${consent.by}, ${formatWhen(consent.givenAt)}`}</Soft>
      {consent.withdrawnAt ? (
        <Soft>{`Withdrawn ${formatWhen(consent.withdrawnAt)}`}</Soft>
      ) : (
        <View className="items-start">
          <Button
            look="bare"
            busy={isLoading}
            label={`Withdraw the consent for ${consent.scope}`}
            onPress={() => void withdraw(consent.id)}
          >
            Withdraw
          </Button>
        </View>
      )}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
