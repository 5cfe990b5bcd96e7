import { NoFirmChosen } from '@/features/companies';
import { RecordTable } from '@/features/exchange';

export default function NoFirm() {
  return <NoFirmChosen AsTable={RecordTable} />;
}
