import { AccountScreen } from '@/features/account';
import { FilingSettings } from '@/features/people';
import { WorkspaceSettings } from '@/features/reading';
import { Rule } from '@/ui';

export default function Account() {
  return (
    <AccountScreen
      settings={
        <>
          <WorkspaceSettings />
          <Rule />
          <FilingSettings />
        </>
      }
    />
  );
}
