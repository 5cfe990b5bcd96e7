export { BoardScreen as default } from '@/features/pipeline';
