const ink = (name) => `rgb(var(--${name}) / <alpha-value>)`;

/** Ink, paper and one highlighter: the values stand in global.css, once for light and once for dark. */
module.exports = {
  content: ['./src/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  theme: {
    extend: {
      colors: {
        paper: ink('paper'),
        table: ink('table'),
        sheet: ink('sheet'),
        rule: ink('rule'),
        ink: ink('ink'),
        soft: ink('soft'),
        marigold: ink('marigold'),
        onmarigold: ink('onmarigold'),
        brick: ink('brick'),
      },
      fontFamily: {
        serif: ['Newsreader', 'Georgia', 'serif'],
        sans: ['Instrument Sans', 'Helvetica', 'Arial', 'sans-serif'],
        mono: ['IBM Plex Mono', 'Menlo', 'monospace'],
      },
      borderRadius: { card: '4px' },
      minHeight: { touch: '44px' },
      minWidth: { touch: '44px' },
    },
  },
};
