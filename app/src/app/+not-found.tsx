import { usePageTitle } from '@/lib/pageTitle';
import { EmptyPage, ToTray } from '@/ui';

export default function NotFound() {
  usePageTitle('No such page');
  return (
    <EmptyPage title="There is no such page" action={<ToTray />}>
      The link may be old or mistyped.
    </EmptyPage>
  );
}
