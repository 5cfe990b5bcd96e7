import { ConsentGiven, type Channel, type Consent } from '@dossier/contract';
import { View } from 'react-native';
import { Select, Soft, Text, TextField, Toggle } from '@/ui';

export const CHANNELS: readonly { value: Channel; label: string }[] = [
  { value: 'email', label: 'By e-mail' },
  { value: 'phone', label: 'By phone' },
  { value: 'post', label: 'By post' },
];
const HOW = [
  { value: 'spoken', label: 'Said it' },
  { value: 'written', label: 'Wrote it' },
  { value: 'onScreen', label: 'Agreed on the screen' },
] as const;
export const HOW_WORDS: Readonly<Record<Consent['how'], string>> = {
  spoken: 'said it',
  written: 'wrote it',
  onScreen: 'agreed on the screen',
  onPage: 'ticked it on a page',
};

export const NO_CONSENT: ConsentGiven = { channels: [], scope: '', wording: '', how: 'spoken' };

/** Why a consent cannot be kept as it stands; nothing when it can. */
export const consentComplaint = (consent: ConsentGiven): string | undefined =>
  ConsentGiven.safeParse(consent).error?.issues[0]?.message;

interface Props {
  consent: ConsentGiven;
  onChange: (consent: ConsentGiven) => void;
  /** Whether they have agreed to something already. */
  hasOther?: boolean;
}

/** By which ways a person may be written to or called, what for, and how it was agreed. */
export function ConsentFields({ consent, onChange, hasOther }: Props) {
  const { channels, scope, wording, how } = consent;
  return (
    <View className="gap-3">
      <View role="group" aria-label="Ways" className="flex-row flex-wrap gap-x-6">
        {CHANNELS.map(({ value, label }) => (
          <Toggle
            key={value}
            label={label}
            on={channels.includes(value)}
            onChange={(on) =>
              onChange({ ...consent, channels: on ? [...channels, value] : channels.filter((one) => one !== value) })
            }
          />
        ))}
      </View>
      {channels.length > 0 ? (
        <>
          <TextField
            label="What for"
            hint="Such as: offers for cold-store doors."
            value={scope}
            onChangeText={(text) => onChange({ ...consent, scope: text })}
            maxLength={200}
          />
          <TextField
            label="What exactly was asked, word for word"
            value={wording}
            onChangeText={(text) => onChange({ ...consent, wording: text })}
            maxLength={1000}
            multiline
          />
          <View className="items-start gap-1">
            <Text aria-hidden>How</Text>
            <Select
              label="How it was agreed"
              options={HOW}
              value={how}
              onChange={(next) => onChange({ ...consent, how: next })}
            />
          </View>
        </>
      ) : (
        <Soft>
          {hasOther ? 'Here stands whatever else they agreed to.' : 'Without consent nothing is sent to this person.'}
        </Soft>
      )}
    </View>
  );
}
