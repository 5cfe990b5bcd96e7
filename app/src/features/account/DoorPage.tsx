import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { Heading, Serif, Soft } from '@/ui';

interface Props {
  title: string;
  about: string;
  children: ReactNode;
}

/** A page before anybody is in: one sheet in the middle, nothing around it. */
export const DoorPage = ({ title, about, children }: Props) => (
  <ScrollView className="flex-1 bg-paper" contentContainerStyle={{ flexGrow: 1, justifyContent: 'center' }}>
    <View role="main" className="w-full max-w-[400px] gap-5 self-center px-6 py-12">
      <View className="gap-2">
        <Serif className="text-[18px] text-soft">Dossier</Serif>
        <Heading>{title}</Heading>
        <Soft>{about}</Soft>
      </View>
      {children}
    </View>
  </ScrollView>
);
