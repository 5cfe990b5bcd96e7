import { useLocalSearchParams } from 'expo-router';
import { PersonDirectory, PersonElsewhere, PersonPortrait, SharePerson } from '@/features/exchange';
import { PersonMessages, PersonPlans, PersonTasks } from '@/features/followup';
import { PersonScreen } from '@/features/people';
import { PersonOpportunities } from '@/features/pipeline';
import { WhereFrom } from '@/features/proof';

export default function Person() {
  const { personId } = useLocalSearchParams<{ personId: string }>();
  return (
    <PersonScreen
      key={personId}
      personId={personId}
      Share={SharePerson}
      WhereFrom={WhereFrom}
      Elsewhere={PersonElsewhere}
      Directory={PersonDirectory}
      Portrait={PersonPortrait}
      Tasks={PersonTasks}
      Business={PersonOpportunities}
      Plans={PersonPlans}
      Messages={PersonMessages}
    />
  );
}
