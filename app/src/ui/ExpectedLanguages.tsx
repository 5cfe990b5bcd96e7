import { EXPECTABLE_LANGUAGES } from '@dossier/core/reading/fields';
import { View } from 'react-native';
import { languageName } from '@/lib/countries';
import { Button } from './Button';

interface Props {
  /** ISO 639-1 codes. */
  chosen: readonly string[];
  onChange: (chosen: readonly string[]) => void;
  disabled?: boolean;
}

/** Which languages cards may be written in, several of them. */
export const ExpectedLanguages = ({ chosen, onChange, disabled }: Props) => (
  <View className="flex-row flex-wrap gap-2 pt-1">
    {EXPECTABLE_LANGUAGES.map((code) => {
      const expected = chosen.includes(code);
      return (
        <Button
          key={code}
          look={expected ? 'ink' : 'plain'}
          disabled={disabled}
          label={`${languageName(code)}, ${expected ? 'expected' : 'not expected'}`}
          onPress={() => onChange(expected ? chosen.filter((l) => l !== code) : [...chosen, code])}
        >
          {languageName(code)}
        </Button>
      );
    })}
  </View>
);
