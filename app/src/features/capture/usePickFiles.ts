import { PHOTO_TYPES } from '@dossier/contract';
import { useCallback, useState } from 'react';
import { useDispatch } from 'react-redux';
import { complaintAboutFile } from './checkFile';
import { keepPhoto } from './keepPhoto';

/** Picking picture files: those that can be read are kept, the others are named with what is wrong. */
export function usePickFiles(accountId: string, onKept: (count: number) => void) {
  const dispatch = useDispatch();
  const [complaints, setComplaints] = useState<string[]>([]);

  const take = useCallback(
    async (files: readonly File[]) => {
      const wrong: string[] = [];
      let kept = 0;
      for (const file of files) {
        const complaint = await complaintAboutFile(file);
        if (complaint) wrong.push(complaint);
        else {
          await keepPhoto(accountId, file, file.name)(dispatch);
          kept += 1;
        }
      }
      setComplaints(wrong);
      if (kept > 0) onKept(kept);
    },
    [accountId, dispatch, onKept],
  );

  const pick = useCallback(() => {
    const input = document.createElement('input');
    input.type = 'file';
    input.multiple = true;
    input.accept = [...PHOTO_TYPES, '.heic', '.heif'].join(',');
    input.onchange = () => void take([...(input.files ?? [])]);
    input.click();
  }, [take]);

  return { pick, take, complaints };
}
