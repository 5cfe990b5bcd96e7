import { useWindowDimensions } from 'react-native';

/** From this width on, places stand in a margin column and lists beside details. */
const WIDE_FROM = 900;

export const useWide = (): boolean => useWindowDimensions().width >= WIDE_FROM;
