/** Colours people give cords, as hues that stay apart on both themes. */
export const CORD_COLOURS: Readonly<Record<string, string>> = {
  ochre: '#c98f2e',
  slate: '#7a8da3',
  black: '#8c8577',
  red: '#d06a5c',
  blue: '#5c95d0',
  green: '#63a679',
  yellow: '#cfb53f',
  white: '#cfc9bb',
  violet: '#a083c9',
};
