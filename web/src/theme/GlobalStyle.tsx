import { createGlobalStyle } from 'styled-components';
import { palettes, type } from './tokens';

export const GlobalStyle = createGlobalStyle`
  :root { color-scheme: light dark; ${palettes.day} }
  @media (prefers-color-scheme: dark) { :root { ${palettes.night} } }
  *, *::before, *::after { box-sizing: border-box; }
  html { -webkit-text-size-adjust: 100%; }
  body {
    margin: 0; background: var(--paper); color: var(--ink);
    font: 400 16px/1.45 ${type.plain}; font-variant-numeric: tabular-nums;
  }
  body.night { ${palettes.night} background: var(--paper); color: var(--ink); color-scheme: dark; }
  h1, h2, h3 { font-family: ${type.loud}; font-weight: 700; line-height: 1.15; margin: 0; letter-spacing: -0.01em; }
  p { margin: 0; }
  button, input, textarea { font: inherit; color: inherit; }
  a { color: inherit; }
  [data-focus-visible], a:focus-visible, button:focus-visible { outline: 3px solid var(--lemon); outline-offset: 2px; }
  .quietly { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { transition: none !important; animation: none !important; } }
  @media print { nav, .no-print { display: none !important; } body { background: #fff; } }
`;
