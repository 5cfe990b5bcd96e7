import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { COUNTRIES, countryName } from '@/lib/countries';
import { ExpectedLanguages, Notice, Select, Soft, Text } from '@/ui';
import { useChangeReadingSettingsMutation } from './settingsApi';

/** What the workspace expects of its cards, where a card does not tell. */
export function ReadingSettings({ country, languages }: { country: string; languages: readonly string[] }) {
  const [change, { isLoading, error }] = useChangeReadingSettingsMutation();
  const save = (settings: { country?: string; languages?: string[] }) =>
    void change({ country, languages: [...languages], ...settings });
  const countries = COUNTRIES.includes(country) ? COUNTRIES : [country, ...COUNTRIES];
  return (
    <View className="gap-4">
      <View className="gap-1">
        <Text>Where most of your cards come from</Text>
        <Soft>A number without a country code is taken to be from there.</Soft>
        <View className="self-start">
          <Select
            label="Where most of your cards come from"
            value={country}
            options={countries.map((code) => ({ value: code, label: countryName(code) }))}
            onChange={(code) => save({ country: code })}
          />
        </View>
      </View>
      <View className="gap-1">
        <Text>Other languages on your cards</Text>
        <Soft>Their letters are then kept as read. Western European letters always are.</Soft>
        <ExpectedLanguages
          chosen={languages}
          disabled={isLoading}
          onChange={(next) => save({ languages: [...next] })}
        />
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
