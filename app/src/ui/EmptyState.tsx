import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Heading, Serif, Soft } from './Text';

interface Props {
  title: string;
  children: string;
  action?: ReactNode;
}

/** An empty place that says what to do next. */
export const EmptyState = ({ title, children, action }: Props) => (
  <View className="mx-auto max-w-[440px] items-center gap-3 px-6 py-16">
    <Serif className="text-center text-[23px] leading-[30px]">{title}</Serif>
    <Soft className="text-center">{children}</Soft>
    {action ? <View className="pt-3">{action}</View> : null}
  </View>
);

/** A page that has nothing else to say: what happened, and how to go on. */
export const EmptyPage = ({ title, children, action }: Props) => (
  <View role="main" className="mx-auto max-w-[440px] flex-1 items-center gap-3 px-6 py-16">
    <Heading className="text-center text-[23px] leading-[30px]">{title}</Heading>
    <Soft className="text-center">{children}</Soft>
    {action ? <View className="flex-row flex-wrap justify-center gap-3 pt-3">{action}</View> : null}
  </View>
);

/** A list that is on its way, as blank lines of paper. */
export const LoadingLines = ({ lines = 5 }: { lines?: number }) => (
  <View role="status" aria-label="Loading" className="gap-5 px-4 py-5">
    {Array.from({ length: lines }, (_, i) => (
      <View key={i} className="flex-row items-center gap-4">
        <View className="h-[56px] w-[98px] rounded-card bg-table" />
        <View className="flex-1 gap-2">
          <View className="h-[16px] w-3/5 rounded-[2px] bg-table" />
          <View className="h-[13px] w-2/5 rounded-[2px] bg-table" />
        </View>
      </View>
    ))}
  </View>
);
