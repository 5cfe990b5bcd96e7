import { useLocalSearchParams } from 'expo-router';
import { CompanyScreen } from '@/features/companies';
import { FirmFactsList } from '@/features/exchange';
import { CompanyTasks } from '@/features/followup';
import { CompanyOpportunities } from '@/features/pipeline';

export default function Company() {
  const { companyId } = useLocalSearchParams<{ companyId: string }>();
  return (
    <CompanyScreen
      key={companyId}
      companyId={companyId}
      Tasks={CompanyTasks}
      Facts={FirmFactsList}
      Business={CompanyOpportunities}
    />
  );
}
