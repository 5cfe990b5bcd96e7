export { MapScreen as default } from '@/features/people';
