export { DirectorySection as default } from '@/features/exchange';
