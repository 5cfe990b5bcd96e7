import type { ReactNode } from 'react';
import { Text as NativeText, type TextProps } from 'react-native';
import { twMerge } from 'tailwind-merge';

interface Props extends TextProps {
  children?: ReactNode;
}

/** Interface text. */
export const Text = ({ className = '', ...props }: Props) => (
  <NativeText className={twMerge('font-sans text-[16px] leading-[22px] text-ink', className)} {...props} />
);

/** Quiet text beside something more important. */
export const Soft = ({ className = '', ...props }: Props) => (
  <NativeText className={twMerge('font-sans text-[15px] leading-[21px] text-soft', className)} {...props} />
);

/** Names of people and firms, and headings. */
export const Serif = ({ className = '', ...props }: Props) => (
  <NativeText className={twMerge('font-serif text-[21px] leading-[27px] text-ink', className)} {...props} />
);

/** The heading of a screen. */
export const Heading = ({ className = '', ...props }: Props) => (
  <NativeText
    role="heading"
    aria-level={1}
    className={twMerge('font-serif text-[27px] leading-[34px] text-ink', className)}
    {...props}
  />
);

/** The heading of a screen that shows none: for those who hear the page. */
export const HiddenHeading = ({ children }: { children: string }) => (
  <h1
    style={{
      position: 'absolute',
      width: 1,
      height: 1,
      margin: -1,
      overflow: 'hidden',
      clipPath: 'inset(50%)',
      whiteSpace: 'nowrap',
    }}
  >
    {children}
  </h1>
);

/** The heading of a part of a screen. */
export const Subheading = ({ className = '', ...props }: Props) => (
  <NativeText
    role="heading"
    aria-level={2}
    className={twMerge('font-serif text-[20px] leading-[26px] text-ink', className)}
    {...props}
  />
);

/** A raw reading, as the engine saw it. */
export const Raw = ({ className = '', ...props }: Props) => (
  <NativeText className={twMerge('font-mono text-[15px] leading-[21px] text-ink', className)} {...props} />
);
