import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Text } from './Text';

/** Word of something that happened or went wrong; read out at once when it is a fault. */
export function Notice({ children, fault, action }: { children: string; fault?: boolean; action?: ReactNode }) {
  return (
    <View
      role={fault ? 'alert' : 'status'}
      className={`flex-row flex-wrap items-center gap-x-3 border-l-2 py-2 pl-3 ${fault ? 'border-brick' : 'border-ink'}`}
    >
      <Text className="min-w-[min(200px,100%)] flex-1">{children}</Text>
      {action}
    </View>
  );
}
