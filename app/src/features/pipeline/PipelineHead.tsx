import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Heading, Serif, Subheading } from '@/ui';

const PARTS = [
  { at: 'leads', href: '/pipeline/leads', name: 'Leads' },
  { at: 'board', href: '/pipeline', name: 'Business' },
  { at: 'figures', href: '/pipeline/figures', name: 'Figures' },
] as const;

interface Props {
  at: (typeof PARTS)[number]['at'];
  /** Whether it stands beside something that is what the page is about. */
  beside?: boolean;
  children?: ReactNode;
}

/** The head of the parts of this place: the one that is shown, and the way to the others. */
export function PipelineHead({ at, beside, children }: Props) {
  const Here = beside ? Subheading : Heading;
  return (
    <View className="flex-row flex-wrap items-center gap-x-4">
      {PARTS.map(({ at: part, href, name }) =>
        part === at ? (
          <Here key={part} className="text-[27px] leading-[34px]">
            {name}
          </Here>
        ) : (
          <Link key={part} href={href as Href}>
            <View className="min-h-touch justify-center">
              <Serif className="text-[19px] text-soft">{name}</Serif>
            </View>
          </Link>
        ),
      )}
      <View className="flex-1 items-end">{children}</View>
    </View>
  );
}
