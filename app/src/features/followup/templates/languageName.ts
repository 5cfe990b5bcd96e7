const names = new Intl.DisplayNames('en', { type: 'language' });
export const languageName = (code: string): string => names.of(code) ?? code;
