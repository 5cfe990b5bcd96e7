import '../../global.css';
export { RootScreen as default } from '@/shell';
