import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import { useJob } from "./job";
import { useMessages } from "./messages";
import { useSettings } from "./settings";

/** left, top, width, height in px of the image */
type Box = [number, number, number, number];

/** What is on the sheet at a revision. */
export interface SheetImage {
  /** the same canvas from one revision of the art to the next */
  source: HTMLCanvasElement | HTMLImageElement;
  width: number;
  height: number;
  /** what differs from the former image of this source; null: all of it */
  changed: Box[] | null;
}

/** The image on the sheet and on the model: the composed art, or the test chart. */
export const useSheetImage = defineStore("sheet-image", () => {
  const jobs = useJob();
  const settings = useSettings();
  const messages = useMessages();
  const image = shallowRef<SheetImage | null>(null);
  /** the revision that the image shows */
  const revision = ref<number | null>(null);
  /** the art as it was last, and what each of its tiles holds */
  let art: { job: string; canvas: HTMLCanvasElement; marks: string[] } | null = null;
  /** tiles of a revision that the page has not yet, asked for as soon as there was word of it */
  let ahead: { job: string; revision: number; marks: string[]; tiles: ReturnType<typeof api.sheetTiles> } | null = null;

  /** address of a picture that a stage shows in place of all looks, such as the template it would write */
  const instead = ref<string | null>(null);
  /** what is shown: without an underlay, the art in its place */
  const look = computed(() =>
    settings.look === "underlay" && jobs.job?.fit_setup.shown === null ? "art" : settings.look,
  );
  const wanted = computed(() => jobs.job && (instead.value ?? `${jobs.job.id} ${jobs.job.revision} ${look.value}`));
  /** what could not be drawn */
  const failed = ref<string | null>(null);
  /** another one is on its way */
  const busy = computed(
    () => wanted.value !== null && wanted.value !== failed.value && revision.value !== jobs.job?.revision,
  );

  async function picture(url: string): Promise<SheetImage> {
    const source = new Image();
    source.src = url;
    await source.decode();
    return { source, width: source.naturalWidth, height: source.naturalHeight, changed: null };
  }

  /** Has the art of a revision drawn while what else there is to know of it is still worked out. */
  function drawAhead(shown: number) {
    const job = jobs.job;
    if (!job || art?.job !== job.id || instead.value || look.value !== "art" || shown === job.revision) return;
    const tiles = api.sheetTiles(job.id, shown, art.marks);
    tiles.catch(() => {}); // whoever takes them is told
    ahead = { job: job.id, revision: shown, marks: art.marks, tiles };
  }

  /** What was drawn ahead of a revision, if what it differs from is still shown. */
  function drawnAhead(job: string, shown: number, marks: string[]) {
    if (ahead?.job !== job || ahead.revision !== shown) return null;
    const drawn = ahead;
    ahead = null;
    return drawn.marks === marks ? drawn.tiles : null;
  }

  /** Only the tiles that differ are fetched, and put where they belong. */
  async function composed(job: string, shown: number, stillWanted: () => boolean): Promise<SheetImage | null> {
    const former = art?.job === job ? art : null;
    const marks = former?.marks ?? [];
    const { head, texels } = await (drawnAhead(job, shown, marks) ?? api.sheetTiles(job, shown, marks));
    if (!stillWanted()) return null;
    const { width_px: width, height_px: height, tile_px: side } = head;
    const same = former?.canvas.width === width && former.canvas.height === height;
    if (same && head.sent.length === 0 && image.value?.source === former.canvas) return image.value;
    const canvas = same ? former.canvas : Object.assign(document.createElement("canvas"), { width, height });
    const context = canvas.getContext("2d");
    const across = Math.ceil(width / side);
    let at = 0;
    const changed = head.sent.map((index): Box => {
      const [left, top] = [(index % across) * side, Math.floor(index / across) * side];
      const box: Box = [left, top, Math.min(side, width - left), Math.min(side, height - top)];
      const bytes = new Uint8ClampedArray(texels, at, box[2] * box[3] * 4);
      at += bytes.length;
      context?.putImageData(new ImageData(bytes, box[2]), left, top);
      return box;
    });
    art = { job, canvas, marks: head.marks };
    return { source: canvas, width, height, changed: same ? changed : null };
  }

  watch(
    wanted,
    async (now) => {
      const job = jobs.job;
      if (!now || !job) {
        image.value = revision.value = art = null;
        return;
      }
      const stillWanted = () => wanted.value === now;
      try {
        const { id, revision: at } = job;
        const shown = look.value;
        const next = instead.value
          ? await picture(instead.value)
          : shown === "art"
            ? await composed(id, at, stillWanted)
            : await picture(api.urls.look(id, at, shown));
        if (!next || !stillWanted()) return;
        image.value = next;
        revision.value = job.revision;
      } catch {
        if (!stillWanted()) return;
        failed.value = now;
        messages.fail("The sheet could not be drawn; undo the last change or reload the page.");
      }
    },
    { immediate: true },
  );

  return { image, revision, look, instead, busy, drawAhead };
});
