export { NoFirmChosen as default } from '@/features/companies';
