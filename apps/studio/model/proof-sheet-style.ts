/** The style of a proof sheet, on the screen and on paper. */
export const sheetStyle = `
:root{color-scheme:light dark;--paper:#faf7f0;--ink:#23211c;--faint:#635d50;--rule:#d9d2c2;font:15px/1.45 system-ui,sans-serif;background:var(--paper);color:var(--ink)}
@media (prefers-color-scheme:dark){:root{--paper:#1b1a17;--ink:#ece6d9;--faint:#aaa392;--rule:#3a3730}}
@media print{:root{--paper:#fff;--ink:#000;--faint:#444;--rule:#bbb;color-scheme:light;font-size:10.5pt}}
body{max-width:60rem;margin:0 auto;padding:1.5rem}
header{border-bottom:2px solid var(--ink)}
h1{font-size:1.6rem;margin:0}
h2{font-size:1.15rem;margin:0}
h3{font-size:.8rem;margin:.6rem 0 0;color:var(--faint)}
p{margin:.2rem 0}
section{border-bottom:1px solid var(--rule);padding:.9rem 0;break-inside:avoid}
.faint{color:var(--faint);font-weight:400;font-size:.85rem}
.value{font-family:ui-monospace,monospace}
.sample{font-size:1.5rem;letter-spacing:.06em;overflow-wrap:anywhere}
dl{display:flex;flex-wrap:wrap;gap:0 1.5rem;margin:.3rem 0}
dl>div{display:flex;gap:.4rem}
dt{color:var(--faint);white-space:nowrap}
dd{margin:0;overflow-wrap:anywhere}
ol,ul{margin:.1rem 0;padding-left:1.4rem}
table{border-collapse:collapse}
a{color:inherit}
@media print{.screen{display:none}}
td{padding:0 1rem 0 0;vertical-align:baseline}
`;
