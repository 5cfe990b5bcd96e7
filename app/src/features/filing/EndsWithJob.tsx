import type { Ending } from '@dossier/core/matching';
import { View } from 'react-native';
import { Soft, Toggle } from '@/ui';

interface Props {
  endings: readonly Ending[];
  /** Keys of those that stay. */
  stays: readonly string[];
  onChange: (stays: string[]) => void;
}

const KINDS: Record<Ending['kind'], string> = {
  phone: 'phone',
  email: 'e-mail',
  website: 'web address',
  address: 'postal address',
};

/** What was the old firm's: it ends with the job, but for what somebody wants to keep. It stays readable in the history. */
export const EndsWithJob = ({ endings, stays, onChange }: Props) => (
  <View role="group" aria-label="Ends with the old job" className="gap-1">
    <Soft>These end with the old job. Keep what is still right; the rest stays in the history.</Soft>
    {endings.map(({ key, kind, text }) => (
      <Toggle
        key={key}
        label={`Keep the ${KINDS[kind]} ${text}`}
        on={stays.includes(key)}
        onChange={(on) => onChange(on ? [...stays, key] : stays.filter((other) => other !== key))}
      />
    ))}
  </View>
);
