/** What runs in a lineup's page: its search, the ticks of its steps, kept by the fingerprint, and the files that it holds. */
export const pageScript = `
const key = "seating-ticks:" + document.body.dataset.fingerprint;
const boxes = [...document.querySelectorAll("[data-step]")];
const read = () => { try { return new Set(JSON.parse(localStorage.getItem(key) ?? "[]")); } catch { return new Set(); } };
const tell = () => {
  const ticked = boxes.filter((box) => box.checked);
  const told = document.getElementById("ticked");
  told.textContent = told.dataset.text.replace("{ticked}", ticked.length).replace("{all}", boxes.length);
  return ticked.map((box) => box.dataset.step);
};
const kept = read();
for (const box of boxes) {
  box.checked = kept.has(box.dataset.step);
  box.addEventListener("change", () => { const steps = tell(); try { localStorage.setItem(key, JSON.stringify(steps)); } catch {} });
}
tell();
const items = [...document.querySelectorAll("tr.item")];
const bands = [...document.querySelectorAll("tr.section")];
document.getElementById("search").addEventListener("input", (event) => {
  const words = event.target.value.toLowerCase().split(/\\s+/).filter(Boolean);
  let shown = 0;
  for (const item of items) {
    item.hidden = !words.every((word) => item.textContent.toLowerCase().includes(word));
    if (!item.hidden) shown++;
  }
  for (const band of bands) band.hidden = words.length > 0;
  const found = document.getElementById("found");
  found.textContent = words.length > 0 ? found.dataset.text.replace("{shown}", shown).replace("{all}", items.length) : "";
});
const files = JSON.parse(document.getElementById("seating-files").textContent);
for (const button of document.querySelectorAll("[data-file]")) {
  button.addEventListener("click", async () => {
    const { name, mime, data } = files[button.dataset.file];
    const packed = new Blob([Uint8Array.from(atob(data), (sign) => sign.charCodeAt(0))]);
    const file = await new Response(packed.stream().pipeThrough(new DecompressionStream("deflate"))).blob();
    const link = document.createElement("a");
    link.href = URL.createObjectURL(new Blob([file], { type: mime }));
    link.download = name;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
  });
}
`;
