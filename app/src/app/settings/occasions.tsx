export { OccasionsScreen as default } from '@/features/capture';
