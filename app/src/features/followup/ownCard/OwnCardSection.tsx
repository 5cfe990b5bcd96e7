import type { OwnCard } from '@dossier/contract';
import { toVcard } from '@dossier/core/exchange';
import { emptyPersonFields, fullName } from '@dossier/core/people';
import { zodResolver } from '@hookform/resolvers/zod';
import { useMemo, useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { SettingsSection, useSessionQuery } from '@/features/account';
import { API, problemText } from '@/lib/api';
import { tellForm } from '@/lib/formProblem';
import { Button, LoadingLines, Notice, PickFile, Rule, Soft, Subheading, Text, Toggle } from '@/ui';
import { FormField } from '@/ui/FormField';
import { QrCode } from '@/ui/QrCode';
import { useOwnCardQuery, useRemoveOwnPictureMutation, useSaveOwnCardMutation, useSaveOwnPictureMutation } from './api';
import { CardPagePart } from './CardPagePart';
import { fieldsOf, formOf, OwnCardForm } from './ownCardForm';

/** What one hands out of oneself: as a code, on a page, by mail. */
export function OwnCardSection() {
  const { data: card, error, refetch } = useOwnCardQuery();
  const { data: session } = useSessionQuery();
  return (
    <SettingsSection title="Your card">
      {error && !card ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : null}
      {card && session ? (
        <>
          <ShowCode card={card} accountId={session.user.id} />
          <Rule />
          <CardPagePart card={card} />
          <Rule />
          <Details card={card} country={session.workspace.country} />
          <Rule />
          <Picture card={card} />
        </>
      ) : error ? null : (
        <LoadingLines lines={4} />
      )}
    </SettingsSection>
  );
}

/** What somebody opposite takes into their own phone. */
function ShowCode({ card, accountId }: { card: OwnCard; accountId: string }) {
  const fields = { ...emptyPersonFields(), ...card.details };
  const text = useMemo(
    // The time it was written says nothing to a phone, and makes the code larger.
    () =>
      toVcard({ ...emptyPersonFields(), ...card.details }, { version: '3.0', uid: accountId, revision: new Date(0) }),
    [card.details, accountId],
  );
  return (
    <View className="items-start gap-2">
      <QrCode text={text} size={260} label={`${fullName(fields)} as a QR code`} />
      <Soft>Let somebody’s camera look at it: it takes your details into their address book.</Soft>
    </View>
  );
}

const LINES = [
  ['givenName', 'First name'],
  ['familyName', 'Last name'],
  ['title', 'Title'],
  ['department', 'Department'],
  ['company', 'Company'],
  ['phone', 'Phone'],
  ['mobile', 'Mobile'],
  ['email', 'E-mail'],
  ['website', 'Website'],
  ['street', 'Street'],
  ['postalCode', 'Postal code'],
  ['locality', 'Town'],
  ['country', 'Country'],
] as const;

function Details({ card, country }: { card: OwnCard; country: string }) {
  const [save] = useSaveOwnCardMutation();
  const [said, setSaid] = useState<{ fault: boolean; words: string }>();
  const form = useForm({ resolver: zodResolver(OwnCardForm), values: formOf(card), resetOptions: { keepDirtyValues: true } }); // prettier-ignore
  const { control } = form;
  const submit = form.handleSubmit(async (values) => {
    const { error } = await save(fieldsOf(card, values, country));
    setSaid(error ? { fault: true, words: tellForm(form, error) } : { fault: false, words: 'Saved.' });
    if (!error) form.reset(values);
  });
  return (
    <View className="gap-4">
      <Subheading>What it says</Subheading>
      {LINES.map(([name, label]) => (
        <FormField key={name} control={control} name={name} label={label} maxLength={240} />
      ))}
      <FormField
        control={control}
        name="greeting"
        label="A few words for everybody who gets it"
        multiline
        maxLength={400}
        numberOfLines={3}
      />
      <Controller
        control={control}
        name="takesVisitors"
        render={({ field }) => (
          <Toggle label="Visitors of its page may leave their details" on={field.value} onChange={field.onChange} />
        )}
      />
      {form.watch('takesVisitors') ? (
        <FormField
          control={control}
          name="scope"
          label="What they may agree to be written to about"
          hint="Such as: offers for cold-store doors. Left empty, they are not asked."
          maxLength={200}
        />
      ) : null}
      {said ? <Notice fault={said.fault}>{said.words}</Notice> : null}
      <View className="items-start">
        <Button look="ink" busy={form.formState.isSubmitting} onPress={() => void submit()}>
          Save card
        </Button>
      </View>
    </View>
  );
}

function Picture({ card }: { card: OwnCard }) {
  const [save, saving] = useSaveOwnPictureMutation();
  const [remove, removing] = useRemoveOwnPictureMutation();
  const error = saving.error ?? removing.error;
  return (
    <View className="gap-3">
      <Subheading>Picture</Subheading>
      {card.pictureId ? (
        <img
          src={`${API}/own-card/picture?of=${card.pictureId}`}
          alt="You, as your card shows you"
          width={120}
          height={120}
          style={{ objectFit: 'cover', borderRadius: 4 }}
        />
      ) : (
        <Text>There is none. It stands on your page and goes along with your details.</Text>
      )}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        <PickFile accept="image/*" busy={saving.isLoading} onPick={(file) => void save(file)}>
          {card.pictureId ? 'Choose another one' : 'Choose a picture'}
        </PickFile>
        {card.pictureId ? (
          <Button look="brick" busy={removing.isLoading} onPress={() => void remove()}>
            Take it off
          </Button>
        ) : null}
      </View>
    </View>
  );
}
