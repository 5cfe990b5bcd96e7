import { Link, Slot, usePathname } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { useWide } from '@/lib/useWide';
import { Heading, Soft, Text } from '@/ui';
import { SECTIONS, SET_BY_MANAGER } from './sections';
import { useMay } from './useMay';
import { YouSection } from './YouSection';

/** On a wide screen the sections stay beside the one that is open; on a phone one follows the other. */
export function SettingsLayout() {
  const wide = useWide();
  const path = usePathname();
  if (wide)
    return (
      <View className="min-h-0 flex-1 flex-row">
        <View className="min-h-0 w-[300px] border-r border-rule">
          <SectionList here={path === '/settings' ? '/settings/you' : path} />
        </View>
        <View className="min-h-0 min-w-0 flex-1">
          <Slot />
        </View>
      </View>
    );
  if (path === '/settings') return <Slot />;
  const section = SECTIONS.find(({ href }) => path.startsWith(`${href}/`));
  return (
    <View className="min-h-0 flex-1">
      <View role="navigation" aria-label="Way back" className="items-start">
        <Link
          href={section?.href ?? '/settings'}
          aria-label={section ? `Back to ${section.name}` : 'Back to the settings'}
        >
          <View className="min-h-touch justify-center px-4">
            <Text className="underline underline-offset-4">{section?.name ?? 'Settings'}</Text>
          </View>
        </Link>
      </View>
      <View className="min-h-0 flex-1">
        <Slot />
      </View>
    </View>
  );
}

/** The page behind `/settings`: the sections on a phone, the first of them beside the list elsewhere. */
export function SettingsIndex() {
  return useWide() ? (
    <YouSection />
  ) : (
    <View role="main" className="min-h-0 flex-1">
      <SectionList />
    </View>
  );
}

/** Pages of a section lie beneath it. */
const isHere = (href: string, here = ''): boolean => here === href || here.startsWith(`${href}/`);

function SectionList({ here }: { here?: string }) {
  const may = useMay();
  const shown = SECTIONS.filter(({ needs }) => !needs || may(needs));
  return (
    <ScrollView className="flex-1" contentContainerStyle={{ paddingBottom: 32 }}>
      <View role="navigation" aria-label="Settings">
        <View className="px-4 pb-2 pt-4">
          {here ? <Text className="font-serif text-[22px] leading-[28px]">Settings</Text> : <Heading>Settings</Heading>}
        </View>
        {shown.map(({ href, name, about }) => (
          <Link key={href} href={href} aria-label={name} aria-current={isHere(href, here) ? 'page' : undefined}>
            <View
              className={`min-h-[58px] w-full justify-center border-b border-l-[3px] border-b-rule px-[13px] py-2 hover:bg-table ${isHere(href, here) ? 'border-l-ink' : 'border-l-transparent'}`}
            >
              <Text>{name}</Text>
              <Soft numberOfLines={1}>{about}</Soft>
            </View>
          </Link>
        ))}
        {may('settle') ? null : <Soft className="px-4 pt-4">{SET_BY_MANAGER}</Soft>}
      </View>
    </ScrollView>
  );
}
