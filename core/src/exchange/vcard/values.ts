/** Splits a value at separators that no backslash stands before; the parts keep their backslashes. */
export function splitValue(value: string, separator: string): string[] {
  const parts = [''];
  for (let i = 0; i < value.length; i++) {
    const character = value[i]!;
    if (character === separator) parts.push('');
    else if (character === '\\' && i + 1 < value.length) parts[parts.length - 1] += character + value[++i]!;
    else parts[parts.length - 1] += character;
  }
  return parts;
}

/** @param isOld version 2.1, where a backslash is one unless a separator follows */
export const unescapeValue = (value: string, isOld: boolean): string =>
  (isOld
    ? value.replace(/\\([;,:\\])/g, '$1').replace(/\\n/g, '\n')
    : value.replace(/\\(.)/gs, (_, sign: string) => (/n/i.test(sign) ? '\n' : sign))
  ).replace(/\r\n?/g, '\n');
