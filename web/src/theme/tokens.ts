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
  --on-core: #ffffff;
  --shade: rgb(22 41 43 / 45%);
  --focus: #16292b;
  --edge: #75877f;
  --window-edge: #a8801a;
  --on-lemon: #16292b;
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
  --on-core: #0f2022;
  --shade: rgb(0 0 0 / 60%);
  --focus: #f3c93a;
  --edge: #6f8a86;
  --window-edge: #a8801a;
  --on-lemon: #16292b;
`;

/** What looks alike by day and by night: the colours of food and metal, a key of the clock, a sheet to scan. */
const always = css`
  --crust: #c98a3a;
  --bread: #ecd2a0;
  --water: #8fb0d8;
  --overdue: #ff9b84;
  --key: #f4f7f2;
  --on-key: #16292b;
  --key-pressed: #cfd8d2;
  --code-paper: #ffffff;
  --code-ink: #000000;
  --pale: #ead7b6;
  --straw: #e0bb78;
  --gold: #cb9145;
  --copper: #9c5c22;
  --dark: #6f3d19;
  --on-light-crust: #16292b;
  --on-dark-crust: #ffffff;
`;

export const palettes = { day, night, always };

export const type = {
  loud: `'Bricolage Grotesque Variable', 'Bricolage Grotesque', sans-serif`,
  plain: `'Instrument Sans Variable', 'Instrument Sans', sans-serif`,
};

/** Widths at which the layout changes. */
export const at = { phone: '@media (max-width: 640px)', narrow: '@media (max-width: 1020px)' };
