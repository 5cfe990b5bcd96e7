export { SettingsLayout as default } from '@/features/account';
