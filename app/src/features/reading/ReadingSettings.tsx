import { Link } from 'expo-router';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { COUNTRIES, countryName } from '@/lib/countries';
import { ExpectedLanguages, Notice, Select, Soft, Text } from '@/ui';
import { useChangeReadingSettingsMutation } from './learnedApi';

/** What the workspace expects of its cards, where a card does not tell. */
export function ReadingSettings({ country, languages }: { country: string; languages: readonly string[] }) {
  const [change, { isLoading, error }] = useChangeReadingSettingsMutation();
  const save = (settings: { country?: string; languages?: string[] }) =>
    void change({ country, languages: [...languages], ...settings });
  const countries = COUNTRIES.includes(country) ? COUNTRIES : [country, ...COUNTRIES];
  return (
    <View className="gap-4">
      <View className="gap-1">
        <Text>Country of cards that do not tell theirs</Text>
        <View className="self-start">
          <Select
            label="Country of cards that do not tell theirs"
            value={country}
            options={countries.map((code) => ({ value: code, label: countryName(code) }))}
            onChange={(code) => save({ country: code })}
          />
        </View>
      </View>
      <View className="gap-1">
        <Text>Languages expected beside the country’s own</Text>
        <Soft>Their letters are then kept as read. Western European letters always are.</Soft>
        <ExpectedLanguages
          chosen={languages}
          disabled={isLoading}
          onChange={(next) => save({ languages: [...next] })}
        />
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <Link href="/learned">
        <View className="min-h-touch justify-center">
          <Text className="underline underline-offset-4">What Dossier has learned from your cards</Text>
        </View>
      </Link>
    </View>
  );
}
