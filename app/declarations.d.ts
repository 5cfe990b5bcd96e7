/// <reference types="expo/types" />
/// <reference types="nativewind/types" />
declare module 'lucide-react-native/icons/*' {
  import type { LucideIcon } from 'lucide-react-native';
  const icon: LucideIcon;
  export default icon;
}
