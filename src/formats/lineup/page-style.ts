/** The look of a lineup's page: the application's colours, in both themes, and a quiet one on paper. */
export const pageStyle = `
:root { --ground: #e9edf0; --surface: #fff; --line: #d3dae0; --ink: #17212b; --ink2: #4d5a66; --pine: #0b5a4c; --saffron: #8a5200; color-scheme: light dark; }
@media (prefers-color-scheme: dark) { :root { --ground: #0f151a; --surface: #182027; --line: #2d3842; --ink: #e4eaee; --ink2: #a9b6c0; --pine: #5cc0a8; --saffron: #e8a93d; } }
* { box-sizing: border-box; }
body { margin: 0; background: var(--ground); color: var(--ink); font: 14px/1.45 "Atkinson Hyperlegible Next", system-ui, sans-serif; }
main { max-width: 1040px; margin: 0 auto; padding: 28px 36px 60px; background: var(--surface); min-height: 100vh; }
h1 { font-size: 26px; margin: 0 0 12px; } h2 { font-size: 17px; margin: 26px 0 8px; } h3 { font-size: 14px; margin: 14px 0 4px; }
a { color: var(--pine); } .faint { color: var(--ink2); font-weight: 400; font-size: 13px; } .mark { color: var(--saffron); font-weight: 400; font-size: 13px; }
.mono, kbd { font-family: "JetBrains Mono", ui-monospace, monospace; font-size: 12px; overflow-wrap: anywhere; }
kbd { border: 1px solid var(--line); border-radius: 4px; padding: 1px 6px; }
dl { display: grid; grid-template-columns: repeat(auto-fit, minmax(200px, 1fr)); gap: 4px 24px; margin: 0; }
dl div { display: flex; gap: 10px; } dt { color: var(--ink2); min-width: 90px; } dd { margin: 0; } .wide { grid-column: 1 / -1; }
.links { display: flex; flex-wrap: wrap; gap: 6px 16px; list-style: none; margin: 0; padding: 0; }
.links button { font: inherit; color: var(--pine); background: none; border: 0; padding: 0; text-decoration: underline; cursor: pointer; }
.pictures { display: flex; flex-wrap: wrap; gap: 14px; margin-top: 18px; } figure { margin: 0; } figure img, .read-me img { max-width: 100%; max-height: 300px; }
table { border-collapse: collapse; width: 100%; } th, td { text-align: left; padding: 4px 10px 4px 0; border-bottom: 1px solid var(--line); vertical-align: top; }
thead th { color: var(--ink2); font-size: 13px; } tr.section th { padding-top: 14px; border-bottom: 2px solid var(--pine); } tr.off th { text-decoration: line-through; text-decoration-thickness: 1px; }
tr.off .faint, tr.off .mark { text-decoration: none; display: inline-block; }
input[type=search] { font: inherit; color: inherit; background: var(--surface); border: 1px solid var(--line); border-radius: 6px; padding: 5px 9px; margin-left: 8px; width: 260px; }
.search { position: sticky; top: 0; background: var(--surface); padding: 10px 0; margin: 14px 0 0; }
summary { font-weight: 600; padding: 6px 0; cursor: pointer; } ol { margin: 0 0 8px; padding-left: 40px; } ol li { padding: 2px 0; }
.by-hand label { display: inline-flex; gap: 8px; align-items: baseline; } .by-hand input:checked + span { color: var(--ink2); text-decoration: line-through; }
:focus-visible { outline: 2px solid var(--pine); outline-offset: 2px; }
@media print { body { background: none; font-size: 11px; } h1 { font-size: 20px; } h2 { font-size: 14px; } .faint, .mark, .mono, thead th { font-size: inherit; } main { padding: 0; max-width: none; } nav, .search { display: none; } tr, li { break-inside: avoid; } h2 { break-after: avoid; } thead { display: table-header-group; } }
`;
