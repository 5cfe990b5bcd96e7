import type { RehearsalRequest } from '@dossier/contract';
import { format, parseISO } from 'date-fns';
import { View } from 'react-native';
import type { z } from 'zod';
import { problemText } from '@/lib/api';
import { LoadingLines, Notice, Soft, Text } from '@/ui';
import { useRehearsalQuery } from '../api';

/** What a plan would do for somebody if it began now: their days, and what would keep a message back. */
export function RehearsedSteps({ planId, request }: { planId: string; request: z.input<typeof RehearsalRequest> }) {
  const { data, error } = useRehearsalQuery({ planId, request });
  if (error) return <Notice fault>{problemText(error)}</Notice>;
  if (!data) return <LoadingLines lines={2} />;
  return (
    <View role="list" aria-label="What the plan would do" className="gap-1 border-l-2 border-rule pl-3">
      {data.steps.map(({ stepId, there, words, held }) => (
        <View key={stepId} role="listitem">
          <Text className="[overflow-wrap:anywhere]">
            <Soft>{`${dayOf(there)}  `}</Soft>
            {words}
          </Text>
          {held ? <Soft className="text-brick">{`Not sent as it is now: ${held}`}</Soft> : null}
        </View>
      ))}
      <Soft>{`Times where they are: ${data.timeZone.replace(/_/g, ' ')}`}</Soft>
    </View>
  );
}

const dayOf = (there: string): string => format(parseISO(there.replace(' ', 'T')), 'EEE d MMM, H:mm');
