import { CompaniesLayout } from '@/features/companies';
import { RecordTable } from '@/features/exchange';

export default function Companies() {
  return <CompaniesLayout AsTable={RecordTable} />;
}
