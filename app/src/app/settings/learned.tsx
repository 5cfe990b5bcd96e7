export { LearnedScreen as default } from '@/features/reading';
