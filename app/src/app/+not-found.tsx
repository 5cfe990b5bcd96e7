import { useRouter } from 'expo-router';
import { usePageTitle } from '@/lib/pageTitle';
import { Button, EmptyPage } from '@/ui';

export default function NotFound() {
  const router = useRouter();
  usePageTitle('No such page');
  return (
    <EmptyPage
      title="There is no such page"
      action={
        <Button look="ink" onPress={() => router.replace('/tray')}>
          Go to the tray
        </Button>
      }
    >
      The link may be old or mistyped.
    </EmptyPage>
  );
}
