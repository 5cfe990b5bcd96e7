import { Link } from 'expo-router';
import { Text as NativeText, View } from 'react-native';

const initials = (name: string): string =>
  name
    .split(/\s+/)
    .map((word) => word[0])
    .slice(0, 2)
    .join('');

/** Whoever is signed in, as initials; leads to the account. */
export const Portrait = ({ name }: { name: string }) => (
  <Link href="/settings" aria-label={`Settings, ${name}`}>
    <View className="h-[44px] w-[44px] items-center justify-center">
      <View className="h-[34px] w-[34px] items-center justify-center rounded-full border border-ink">
        <NativeText className="font-sans text-[14px] font-medium text-ink">{initials(name)}</NativeText>
      </View>
    </View>
  </Link>
);
