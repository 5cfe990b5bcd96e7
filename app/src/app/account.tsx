import { AccountScreen } from '@/features/account';
import { WorkspaceSettings } from '@/features/reading';

export default function Account() {
  return <AccountScreen settings={<WorkspaceSettings />} />;
}
