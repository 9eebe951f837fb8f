import { css } from 'styled-components';

/** Every colour in the interface but those that the model forecasts. */
const day = css`
  --paper: #eef2ee;
  --surface: #fbfcfa;
  --ink: #16292b;
  --quiet: #4f6463;
  --line: #d3dcd6;
  --soft: #e3eae5;
  --lemon: #f3c93a;
  --lemon-wash: #f8ecc0;
  --heat: #b93d26;
  --heat-wash: #f7eeeb;
  --core: #2457a0;
  --core-wash: #c9d4e4;
  --safe: #1a6e4f;
  --sauce: #8a4412;
  --board: #ecd7a6;
  --hold: #d8e2a9;
  --pot: #d9bcd2;
  --on-heat: #ffffff;
  --shade: rgb(22 41 43 / 45%);
  --focus: #16292b;
  --edge: #75877f;
`;

const night = css`
  --paper: #0f2022;
  --surface: #18302f;
  --ink: #f4f7f2;
  --quiet: #a9bbb8;
  --line: #2f4a49;
  --soft: #213c3b;
  --lemon: #f3c93a;
  --lemon-wash: #4a4a24;
  --heat: #c5472f;
  --heat-wash: #21302d;
  --core: #8fb4ea;
  --core-wash: #2d4760;
  --safe: #6fcfa5;
  --sauce: #e8a765;
  --board: #5b4c28;
  --hold: #47532a;
  --pot: #5a4156;
  --on-heat: #ffffff;
  --shade: rgb(0 0 0 / 60%);
  --focus: #f3c93a;
  --edge: #6f8a86;
`;

export const palettes = { day, night };

export const type = {
  loud: `'Bricolage Grotesque Variable', 'Bricolage Grotesque', sans-serif`,
  plain: `'Instrument Sans Variable', 'Instrument Sans', sans-serif`,
};

/** Widths at which the layout changes. */
export const at = { phone: '@media (max-width: 640px)', narrow: '@media (max-width: 1020px)' };
