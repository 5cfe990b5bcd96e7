import { useLocalSearchParams } from 'expo-router';
import { PlanScreen } from '@/features/followup';

export default function Plan() {
  const { planId } = useLocalSearchParams<{ planId: string }>();
  return <PlanScreen key={planId} planId={planId} />;
}
