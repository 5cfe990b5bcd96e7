export { BackupSection as default } from '@/features/backup';
