/**
 * The look of a report on paper. It travels inside the report: the same rules hold on the screen, in print and in the
 * file that is saved, which needs nothing else.
 */
export const REPORT_CSS = `
.paper{--ink:#10191a;--soft:#47555a;--line:#c4ccce;background:#fff;color:var(--ink);max-width:182mm;margin:0 auto;
font:11pt/1.38 'Archivo Variable',Archivo,Arial,sans-serif;font-variant-numeric:tabular-nums}
.paper *{box-sizing:border-box}
.paper h1{font-size:21pt;line-height:1.1;font-weight:800;margin:0}
.paper h2{font-size:13.5pt;line-height:1.2;font-weight:800;margin:5.5mm 0 1.2mm;break-after:avoid}
.paper p{margin:0 0 1.4mm}
.paper ul{margin:0 0 1.4mm;padding-left:5mm;list-style:disc}
.paper .head{display:flex;justify-content:space-between;gap:6mm;border-bottom:.7mm solid var(--ink);padding-bottom:2mm}
.paper .soft{color:var(--soft);font-size:9.5pt}
.paper .big{font-size:15pt;line-height:1.25;font-weight:700;margin-bottom:1mm}
.paper table{width:100%;border-collapse:collapse;font-size:9.5pt;line-height:1.3;margin-bottom:1.5mm}
.paper th,.paper td{text-align:left;vertical-align:top;padding:.7mm 2.5mm .7mm 0;border-bottom:.2mm solid var(--line)}
.paper th{font-weight:600}
.paper thead th{color:var(--soft);font-weight:600}
.paper tr{break-inside:avoid}
.paper .num{text-align:right;white-space:nowrap}
.paper .whole{break-inside:avoid}
.paper .note{border-left:1mm solid #8a6100;padding-left:3mm}
.paper .taken-back{text-decoration:line-through;color:var(--soft)}
.paper .strip{display:flex;width:34mm;height:3.2mm;border:.2mm solid var(--ink)}
.paper .strip span{display:block;height:100%}
.paper .recharts-wrapper{max-width:100%;height:auto!important}
.paper svg{display:block;max-width:100%;height:auto}
.paper .legend{display:flex;flex-wrap:wrap;gap:1mm 6mm;font-size:9.5pt}
.paper .legend i{display:inline-block;width:9mm;margin-right:1.5mm;vertical-align:middle;border-top:.8mm solid}
.paper .sign{display:flex;gap:10mm;margin-top:6mm;break-inside:avoid}
.paper .sign span{flex:1;border-top:.3mm solid var(--ink);padding-top:1mm;font-size:9pt;color:var(--soft)}
@media print{.paper{max-width:none}}
`;
