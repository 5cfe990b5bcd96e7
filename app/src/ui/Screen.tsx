import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';

/** A page of paper that scrolls; on a wide screen its text keeps a readable measure. */
export const Page = ({ children, measure = 760 }: { children: ReactNode; measure?: number }) => (
  <ScrollView className="flex-1 bg-paper" contentContainerStyle={{ flexGrow: 1 }}>
    <View role="main" className="w-full self-center px-4 pb-16 pt-4" style={{ maxWidth: measure }}>
      {children}
    </View>
  </ScrollView>
);

export const Rule = () => <View className="h-px bg-rule" />;
