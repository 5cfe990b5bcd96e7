import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useSessionQuery } from '@/features/account';
import type { KeptParcel } from '@/lib/deviceStore';
import { NotFetched } from '@/lib/fetchFile';

/** Makes something ready for another device, and leads there. @param onProblem told what is wrong, in words */
export function useGiving(onProblem: (words: string | undefined) => void) {
  const { data: session } = useSessionQuery();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const give = async (pack: (accountId: string) => Promise<KeptParcel>) => {
    if (!session) return;
    setBusy(true);
    onProblem(undefined);
    try {
      const { id } = await pack(session.user.id);
      router.push(`/between?give=${id}`);
    } catch (error) {
      onProblem(
        error instanceof NotFetched ? error.message : 'It could not be kept on this device. Is there room on it?',
      );
    } finally {
      setBusy(false);
    }
  };
  return { busy, give };
}
