export { FiguresScreen as default } from '@/features/insight';
