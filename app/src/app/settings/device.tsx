export { DeviceSection as default } from '@/features/account';
