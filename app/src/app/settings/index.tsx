export { SettingsIndex as default } from '@/features/account';
