import { createGlobalStyle } from 'styled-components';
import { palettes, type } from './tokens';

export const GlobalStyle = createGlobalStyle`
  :root { color-scheme: light dark; ${palettes.always} ${palettes.day} }
  @media (prefers-color-scheme: dark) { :root { ${palettes.night} } }
  *, *::before, *::after { box-sizing: border-box; }
  html { -webkit-text-size-adjust: 100%; }
  @media (max-width: 640px) { html { scroll-padding-bottom: 76px; } }
  body {
    margin: 0; background: var(--paper); color: var(--ink); overflow-wrap: break-word;
    font: 400 16px/1.45 ${type.plain}; font-variant-numeric: tabular-nums;
  }
  body.night { ${palettes.night} background: var(--paper); color: var(--ink); color-scheme: dark; }
  h1, h2, h3 { font-family: ${type.loud}; font-weight: 700; line-height: 1.15; margin: 0; letter-spacing: -0.01em; }
  p { margin: 0; }
  button, input, textarea { font: inherit; color: inherit; }
  a { color: inherit; }
  [data-focus-visible], a:focus-visible, button:focus-visible { outline: 3px solid var(--focus); outline-offset: 2px; }
  .quietly { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { transition: none !important; animation: none !important; } }
  @media (forced-colors: active) {
    [aria-current='page'], [data-selected] { forced-color-adjust: none; background: Highlight; color: HighlightText; }
  }
  .skip { position: absolute; left: -999px; }
  .skip:focus { left: 8px; top: 8px; padding: 10px 14px; background: var(--surface); z-index: 2; }
  @media print {
    nav, .no-print { display: none !important; }
    /* A supper with its list, shopping and counter is two pages. */
    main { zoom: 0.6; }
    @page { margin: 11mm; }
    :root, body.night { ${palettes.day} --paper: #fff; --surface: #fff; color-scheme: light; }
    body, body.night { background: #fff; color: #000; }
    main { max-width: none; padding: 0; }
    section { break-inside: avoid; }
    section:has(li) { break-inside: auto; }
    button:not(.printed, .drawn), select, input, textarea, [role='radiogroup'], [role='group']:has(> input) { display: none !important; }
    label:has(select), label:has(input) { display: none; }
    main > h1.quietly { position: static; width: auto; height: auto; clip-path: none; font-size: 22px; }
    .printed { background: #fff !important; color: #000 !important; text-decoration: none !important; }
  }
`;
