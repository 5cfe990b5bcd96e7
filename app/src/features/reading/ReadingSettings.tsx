import { EXPECTABLE_LANGUAGES } from '@dossier/core/reading/fields';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Notice, Select, Soft, Text } from '@/ui';
import { useChangeReadingSettingsMutation } from './learnedApi';

/** Countries whose numbers and addresses are read. */
const COUNTRIES = 'GB IE US CA AU DE AT CH FR BE NL ES PT IT SE DK NO FI PL BR'.split(' ');
const nameOf = (type: 'region' | 'language', code: string): string =>
  new Intl.DisplayNames(['en'], { type }).of(code) ?? code;

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
            options={countries.map((code) => ({ value: code, label: nameOf('region', code) }))}
            onChange={(code) => save({ country: code })}
          />
        </View>
      </View>
      <View className="gap-1">
        <Text>Languages expected beside the country’s own</Text>
        <Soft>Their letters are then kept as read. Western European letters always are.</Soft>
        <View className="flex-row flex-wrap gap-2 pt-1">
          {EXPECTABLE_LANGUAGES.map((code) => {
            const chosen = languages.includes(code);
            return (
              <Button
                key={code}
                look={chosen ? 'ink' : 'plain'}
                disabled={isLoading}
                label={`${nameOf('language', code)}, ${chosen ? 'expected' : 'not expected'}`}
                onPress={() => save({ languages: chosen ? languages.filter((l) => l !== code) : [...languages, code] })}
              >
                {nameOf('language', code)}
              </Button>
            );
          })}
        </View>
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
