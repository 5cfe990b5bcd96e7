import { RecordTable } from '@/features/exchange';
import { OpportunityListScreen } from '@/features/pipeline';

export default function List() {
  return <OpportunityListScreen AsTable={RecordTable} />;
}
