import { Text as NativeText } from 'react-native';

/** Set with the highlighter: the count that needs somebody. */
export const Highlight = ({ children }: { children: string | number }) => (
  <NativeText className="tabular rounded-[2px] bg-marigold px-[5px] font-sans text-[15px] font-medium leading-[21px] text-onmarigold">
    {children}
  </NativeText>
);
