import { useSessionQuery } from '@/features/account';
import { PhotographScreen } from '@/features/capture';

export default function Photograph() {
  const { data } = useSessionQuery();
  return data ? <PhotographScreen accountId={data.user.id} /> : null;
}
