export { SampleScreen as default } from '@/features/capture';
