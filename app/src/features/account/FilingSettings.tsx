import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Notice, Select, Soft, Text, Toggle } from '@/ui';
import { useSessionQuery } from './api';
import { useSaveFilingSettingsMutation } from './settingsApi';

const SAME_FROM = [0.8, 0.9, 0.95, 0.98, 0.99];
const PERHAPS_FROM = [0.02, 0.05, 0.1, 0.2, 0.5];

/** Whether cards are filed without a person, and from when on two are one person. */
export function FilingSettings() {
  const { data: session } = useSessionQuery();
  const [save, { error }] = useSaveFilingSettingsMutation();
  if (!session) return null;
  const { filesItself, ratings, limits } = session.workspace;
  const settings = { filesItself, ratings, limits };
  return (
    <View className="gap-4">
      <View className="gap-1">
        <Toggle
          label="File cards without any doubt for me"
          on={filesItself}
          onChange={(on) => void save({ ...settings, filesItself: on })}
        />
        <Soft>
          Only cards on which nothing is doubtful and whose person nobody here is like. They are gathered for a glance,
          and each can be taken back.
        </Soft>
      </View>
      <View className="gap-3">
        <LimitSelect
          label="Call two records the same person when it is this likely"
          options={SAME_FROM}
          limit={limits.same}
          onChange={(same) => void save({ ...settings, limits: { ...limits, same } })}
        />
        <LimitSelect
          label="Ask you about two records when it is this likely"
          options={PERHAPS_FROM}
          limit={limits.perhaps}
          onChange={(perhaps) => void save({ ...settings, limits: { ...limits, perhaps } })}
        />
        <Soft>Nobody is ever merged unasked. Look through all people once more to see what another limit changes.</Soft>
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}

interface LimitSelectProps {
  label: string;
  options: readonly number[];
  limit: number;
  onChange: (limit: number) => void;
}

const LimitSelect = ({ label, options, limit, onChange }: LimitSelectProps) => (
  <View className="items-start gap-1">
    <Text aria-hidden>{label}</Text>
    <Select
      label={label}
      options={options.map((share) => ({ value: String(share), label: `${Math.round(share * 100)} %` }))}
      value={String(limit)}
      onChange={(share) => onChange(Number(share))}
    />
  </View>
);
