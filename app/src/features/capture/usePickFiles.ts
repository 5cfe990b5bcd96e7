import { PHOTO_TYPES } from '@dossier/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { complaintAboutFile } from './checkFile';
import { filesOfDrop } from './filesOfDrop';
import { keepPhoto } from './keepPhoto';
import { isScan, pagesOf, UnusableFile } from './pagesOf';

const ACCEPTED = [...PHOTO_TYPES, '.heic', '.heif', 'image/tiff', '.tif', '.tiff', 'application/pdf', '.pdf'].join(',');

/** How far the taking in of files is. */
export interface TakingIn {
  done: number;
  of: number;
  name: string;
}

/**
 * Picture files from wherever they come: picked, a whole folder, dropped, or out of the clipboard. Those
 * that can be read are kept, pages of scans one by one; the others are named with what is wrong.
 */
export function usePickFiles(accountId: string, occasionId: string | null, onKept: (count: number) => void) {
  const dispatch = useDispatch();
  const [complaints, setComplaints] = useState<string[]>([]);
  const [progress, setProgress] = useState<TakingIn>();
  const stopped = useRef(false);

  const take = useCallback(
    async (files: readonly File[]) => {
      const wrong: string[] = [];
      stopped.current = false;
      const keep = async (bytes: Blob, name: string) => {
        await keepPhoto(accountId, { bytes, name, occasionId })(dispatch);
        onKept(1);
      };
      for (const [i, file] of files.entries()) {
        if (stopped.current) break;
        setProgress({ done: i, of: files.length, name: file.name });
        try {
          if (isScan(file)) for await (const page of pagesOf(file)) await keep(page.bytes, page.name);
          else {
            const complaint = await complaintAboutFile(file);
            if (complaint) wrong.push(complaint);
            else await keep(file, file.name);
          }
        } catch (error) {
          const noRoom = `${file.name} could not be kept: this device has no room left for photographs.`;
          wrong.push(error instanceof UnusableFile ? error.message : noRoom);
        }
      }
      setProgress(undefined);
      setComplaints(wrong);
    },
    [accountId, dispatch, occasionId, onKept],
  );

  const pick = useCallback(
    (folder = false) => {
      const input = document.createElement('input');
      input.type = 'file';
      input.multiple = true;
      if (folder) input.webkitdirectory = true;
      else input.accept = ACCEPTED;
      input.onchange = () => void take([...(input.files ?? [])].filter((file) => !folder || looksUseful(file)));
      input.click();
    },
    [take],
  );

  const drop = useCallback(
    async (data: DataTransfer) => {
      const files = await filesOfDrop(data);
      await take(files.length > 1 ? files.filter(looksUseful) : files);
    },
    [take],
  );

  useEffect(() => {
    const paste = ({ clipboardData }: ClipboardEvent) => {
      const files = [...(clipboardData?.files ?? [])];
      if (files.length > 0) void take(files);
    };
    document.addEventListener('paste', paste);
    return () => document.removeEventListener('paste', paste);
  }, [take]);

  const stop = useCallback(() => {
    stopped.current = true;
  }, []);
  return { pick, drop, stop, progress, complaints };
}

/** In a folder lies much that is no picture: it is passed over without a word. */
const looksUseful = (file: File): boolean =>
  isScan(file) || file.type.startsWith('image/') || /\.(heic|heif)$/i.test(file.name);
