import type { Backups, BackupSchedule } from '@dossier/contract';
import { api } from '@/lib/api';

export const backupApi = api.injectEndpoints({
  endpoints: (build) => ({
    backups: build.query<Backups, void>({ query: () => '/backups', providesTags: ['Backup'] }),
    scheduleBackups: build.mutation<void, BackupSchedule>({
      query: (body) => ({ url: '/backups/schedule', method: 'PUT', body }),
      invalidatesTags: ['Backup'],
    }),
  }),
});

export const { useBackupsQuery, useScheduleBackupsMutation } = backupApi;
