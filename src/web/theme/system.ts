import { createSystem, defaultBaseConfig, defineConfig, type SystemConfig } from '@chakra-ui/react';
import {
  animationStyles,
  breakpoints,
  buttonRecipe,
  cssVarsPrefix,
  cssVarsRoot,
  dialogSlotRecipe,
  globalCss,
  headingRecipe,
  inputRecipe,
  keyframes,
  layerStyles,
  linkRecipe,
  menuSlotRecipe,
  nativeSelectSlotRecipe,
  popoverSlotRecipe,
  semanticTokens,
  spinnerRecipe,
  tableSlotRecipe,
  textareaRecipe,
  textStyles,
  tokens,
} from '@chakra-ui/react/theme';

const tint = (light: string, dark: string) => ({ value: { _light: light, _dark: dark } });

/**
 * Woodbine's own colours, from the plant: leaf, bark, cream, berry and honey. Text pairs keep 4.5:1 in both schemes; the
 * four materials differ in lightness as well as hue, and carry a hatching and a letter besides.
 */
const config = defineConfig({
  globalCss: {
    'html, body': { bg: 'page', color: 'ink', fontSize: '17px' },
    body: { fontVariantNumeric: 'lining-nums tabular-nums' },
    '*:focus-visible': { outline: '3px solid {colors.focus}', outlineOffset: '2px' },
    'input[type=checkbox], input[type=radio]': { accentColor: 'leaf.solid' },
    // A browser's own is of a green that is none of ours.
    progress: {
      appearance: 'none',
      display: 'block',
      height: '8px',
      my: '8px',
      borderRadius: '4px',
      overflow: 'hidden',
    },
    'progress, progress::-webkit-progress-bar': { bg: 'leaf.muted' },
    'progress::-webkit-progress-value': { bg: 'leaf.solid' },
    'progress::-moz-progress-bar': { bg: 'leaf.solid' },
    'nav, header, aside': { _print: { display: 'none' } },
    // Under a finger nothing is smaller than this but what stands within a sentence (WCAG 2.2, 2.5.8).
    'button, [role=tab], select, input:not([type=checkbox], [type=radio]), a[class*=button]': {
      '@media (max-width: 1023px), (pointer: coarse)': { minHeight: '44px !important', minWidth: '44px !important' },
    },
    // Words that open where they stand: blanks of sentences, and terms of the trade. There are dozens of them on a page.
    '.blank': {
      boxDecorationBreak: 'clone',
      px: '3px',
      py: '1px',
      mx: '-1px',
      font: 'inherit',
      fontWeight: '600',
      textAlign: 'left',
      color: 'leaf.fg',
      borderRadius: '5px',
      cursor: 'pointer',
      textDecoration: 'underline 2px',
      textDecorationColor: '{colors.leaf.border}',
      textUnderlineOffset: '5px',
    },
    '.blank[data-odd]': { color: 'honey', textDecorationColor: '{colors.honey}' },
    '.blank[aria-expanded=true]': { color: 'leaf.contrast', bg: 'leaf.solid', textDecorationLine: 'none' },
    // By hand, not by a recipe: as a slider moves, its parts are drawn anew with all that hangs on it.
    '.slider': {
      flex: '1',
      mt: '4px',
      position: 'relative',
      touchAction: 'none',
      '& [data-part=control]': { display: 'flex', alignItems: 'center', position: 'relative', minHeight: '24px' },
      '& [data-part=track]': { flex: '1', height: '8px', overflow: 'hidden', borderRadius: '4px', bg: 'rule' },
      '& [data-part=range]': { height: 'inherit', bg: 'leaf.solid' },
      '& [data-part=thumb]': {
        width: '24px',
        height: '24px',
        borderRadius: '12px',
        border: '2px solid {colors.leaf.solid}',
        bg: 'sheet',
        zIndex: '2',
      },
    },
    '.term': {
      font: 'inherit',
      cursor: 'help',
      textDecoration: 'underline dotted',
      textUnderlineOffset: '4px',
    },
  },
  theme: {
    tokens: {
      fonts: {
        heading: { value: "'Vollkorn Variable', Georgia, serif" },
        body: { value: "'Source Sans 3 Variable', system-ui, sans-serif" },
      },
      colors: {
        leaf: {
          50: { value: '#eef4ee' },
          100: { value: '#d7e6da' },
          200: { value: '#b3cfba' },
          300: { value: '#86b193' },
          400: { value: '#5c906e' },
          500: { value: '#427653' },
          600: { value: '#335f43' },
          700: { value: '#294d37' },
          800: { value: '#1f3b2a' },
          900: { value: '#15291d' },
          950: { value: '#0d1a12' },
        },
      },
    },
    semanticTokens: {
      colors: {
        page: tint('#f5f1e6', '#1c1a17'),
        sheet: tint('#fffdf7', '#262320'),
        ink: tint('#2c2722', '#efe9dc'),
        quiet: tint('#655b50', '#b9ae9f'),
        rule: tint('#d9cfbb', '#463f37'),
        focus: tint('#b0691a', '#f0b45c'),
        berry: tint('#98283f', '#f097a6'),
        honey: tint('#8a5a08', '#eeb955'),
        good: tint('#2f6343', '#8fcaa2'),
        shell: tint('#335f43', '#8fc7a3'),
        facing: tint('#a26a09', '#f0bd5d'),
        lining: tint('#98283f', '#f097a6'),
        interfacing: tint('#5a5f6e', '#b4bccf'),
        leaf: {
          solid: tint('{colors.leaf.600}', '{colors.leaf.300}'),
          contrast: tint('#ffffff', '#12201a'),
          fg: tint('{colors.leaf.700}', '{colors.leaf.200}'),
          muted: tint('{colors.leaf.100}', '{colors.leaf.800}'),
          subtle: tint('{colors.leaf.50}', '{colors.leaf.900}'),
          emphasized: tint('{colors.leaf.200}', '{colors.leaf.700}'),
          focusRing: tint('#b0691a', '#f0b45c'),
          border: tint('{colors.leaf.300}', '{colors.leaf.700}'),
        },
      },
    },
  },
});

/**
 * Of the library's theme, only the colours and components that are used here. Taken piece by piece: its default theme as a whole
 * brings every component's looks along, and lays out all of it once more when it is loaded.
 */
const used: SystemConfig = {
  ...defaultBaseConfig,
  preflight: true,
  cssVarsPrefix,
  cssVarsRoot,
  globalCss,
  theme: {
    breakpoints,
    keyframes,
    tokens: { ...tokens, colors: only(tokens.colors, 'transparent', 'current', 'black', 'white', 'gray', 'red') },
    semanticTokens: { ...semanticTokens, colors: only(semanticTokens.colors, 'bg', 'fg', 'border', 'gray') },
    recipes: {
      button: buttonRecipe,
      heading: headingRecipe,
      input: inputRecipe,
      link: linkRecipe,
      spinner: spinnerRecipe,
      textarea: textareaRecipe,
    },
    slotRecipes: {
      dialog: dialogSlotRecipe,
      menu: menuSlotRecipe,
      nativeSelect: nativeSelectSlotRecipe,
      popover: popoverSlotRecipe,
      table: tableSlotRecipe,
    },
    textStyles,
    layerStyles,
    animationStyles,
  },
};

function only<T extends object, K extends keyof T>(all: T, ...names: K[]): Pick<T, K> {
  return Object.fromEntries(names.map((k) => [k, all[k]])) as Pick<T, K>;
}

export const system = createSystem(used, config);
