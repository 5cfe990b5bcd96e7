import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { ScrollView, Text as NativeText, View } from 'react-native';
import { Highlight, Serif } from '@/ui';

interface Props {
  path: string;
  trayCount: number;
  todayCount: number;
  portrait: ReactNode;
  /** Kept views of people, under their place. */
  views: ReactNode;
}

const isAt = (path: string, href: string): boolean =>
  path === href ||
  path.startsWith(`${href}/`) ||
  (href === '/tray' && /^\/(proof|file)\//.test(path)) ||
  (href === '/people' && /^\/(?:companies|bring-in|between|found)\b/.test(path));

const words = (here: boolean): string =>
  `font-sans text-[16px] leading-[21px] ${here ? 'font-semibold text-ink' : 'text-soft'}`;

/** The places of the application at the bottom of a phone, with the release in the middle. */
export const BottomBar = ({ path, trayCount, todayCount }: Omit<Props, 'portrait' | 'views'>) => (
  <View
    role="navigation"
    aria-label="Places"
    className="flex-row items-center justify-around border-t border-rule bg-paper pb-1 pt-1 min-[300px]:px-1"
  >
    <BarLink path={path} href="/today" label="Today" count={todayCount} />
    <BarLink path={path} href="/tray" label="Tray" count={trayCount} />
    {path === '/photograph' ? null : (
      <Link href="/photograph" aria-label="Photograph">
        <View className="h-[40px] w-[40px] items-center justify-center rounded-full border-2 border-ink min-[300px]:h-[58px] min-[300px]:w-[58px]">
          <View className="h-[28px] w-[28px] rounded-full bg-ink min-[300px]:h-[46px] min-[300px]:w-[46px]" />
        </View>
      </Link>
    )}
    <BarLink path={path} href="/people" label="People" />
    <BarLink path={path} href="/pipeline" label="Pipeline" />
  </View>
);

const BarLink = ({
  path,
  href,
  label,
  count = 0,
}: {
  path: string;
  href: Href & string;
  label: string;
  count?: number;
}) => (
  <Link href={href} aria-current={isAt(path, href) ? 'page' : undefined}>
    <View className="min-h-[52px] min-w-[28px] flex-row items-center justify-center gap-1 min-[300px]:min-w-[64px] min-[300px]:gap-2">
      <NativeText className={`${words(isAt(path, href))} max-[299px]:text-[11px]`}>{label}</NativeText>
      {/* Where letters are twice as large there is no room for it. */}
      {count > 0 ? (
        <View className="max-[299px]:hidden">
          <Highlight>{count}</Highlight>
        </View>
      ) : null}
    </View>
  </Link>
);

/** The same places in the left margin of a wide screen. */
export const MarginColumn = ({ path, trayCount, todayCount, portrait, views }: Props) => (
  <View role="navigation" aria-label="Places" className="w-[176px] justify-between border-r border-rule py-6">
    <View className="min-h-0 flex-shrink">
      <Serif className="px-5 pb-8 text-[26px] leading-[32px]">Dossier</Serif>
      <ColumnLink path={path} href="/today" label="Today" count={todayCount} />
      <ColumnLink path={path} href="/tray" label="Tray" count={trayCount} />
      <ColumnLink path={path} href="/photograph" label="Photograph" />
      <ColumnLink path={path} href="/people" label="People" />
      {isAt(path, '/people') ? <ScrollView className="min-h-0 flex-shrink">{views}</ScrollView> : null}
      <ColumnLink path={path} href="/pipeline" label="Pipeline" />
    </View>
    <View className="px-4 pt-2">{portrait}</View>
  </View>
);

const ColumnLink = ({
  path,
  href,
  label,
  count = 0,
}: {
  path: string;
  href: Href & string;
  label: string;
  count?: number;
}) => {
  const here = isAt(path, href);
  return (
    <Link href={href} aria-current={here ? 'page' : undefined}>
      <View
        className={`min-h-[46px] w-[175px] flex-row items-center gap-2 border-l-[3px] px-[17px] hover:bg-table ${here ? 'border-ink' : 'border-transparent'}`}
      >
        <NativeText className={words(here)}>{label}</NativeText>
        {count > 0 ? <Highlight>{count}</Highlight> : null}
      </View>
    </Link>
  );
};
