import { PhotographScreen } from '@/features/capture';
import { useSessionQuery } from '@/features/account';

export default function Photograph() {
  const { data } = useSessionQuery();
  return data ? <PhotographScreen accountId={data.user.id} /> : null;
}
