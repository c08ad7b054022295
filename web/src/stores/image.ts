import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import { api, type Call, type SheetTiles } from "@/api/client";
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

/** how long a hand rests before what it holds is worked out where it is, ms */
const RESTS_MS = 40;

/** A while in which the hand has not gone on; refused where it has. */
const rested = (signal: AbortSignal) =>
  new Promise<void>((done, refuse) => {
    setTimeout(done, RESTS_MS);
    signal.addEventListener("abort", () => refuse(new Error("went on")));
  });

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
  let ahead: { job: string; revision: number; marks: string[]; tiles: Promise<SheetTiles[]> } | null = null;
  /** tiles as they would be after what the hand is about to do, and what ends that work */
  let foreseen: {
    call: string;
    marks: string[];
    begun: boolean;
    /** the hand has let go, and it is being done */
    due: boolean;
    tiles: Promise<SheetTiles | null>;
    work: AbortController;
  } | null = null;
  /** the hand holds something that is drawn where it is: what nobody waits for is better left until it lets go */
  const holding = ref(false);
  /** the revision that was shown before the rest of it is known, as it was foreseen */
  const early = ref<number | null>(null);

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
    () =>
      wanted.value !== null && wanted.value !== failed.value && revision.value !== (early.value ?? jobs.job?.revision),
  );

  async function picture(url: string): Promise<SheetImage> {
    const source = new Image();
    source.src = url;
    await source.decode();
    return { source, width: source.naturalWidth, height: source.naturalHeight, changed: null };
  }

  /**
   * Has the sheet worked out as it would be after an operation, once the hand has rested with what it holds: when that
   * is let go, it is there. Null: the hand holds nothing any more.
   */
  function foresee(call: Call | null) {
    holding.value = call !== null;
    const asked = call && JSON.stringify(call);
    if (foreseen?.call === asked) return;
    foreseen?.work.abort();
    foreseen = null;
    const job = jobs.job;
    if (!call || !asked || !job || art?.job !== job.id || instead.value || look.value !== "art" || busy.value) return;
    const { marks } = art;
    const work = new AbortController();
    const own = { call: asked, marks, begun: false, due: false, work, tiles: Promise.resolve<SheetTiles | null>(null) };
    const begin = () => {
      own.begun = true;
      return api.sheetTiles(job.id, job.revision, marks, call, work.signal);
    };
    own.tiles = rested(work.signal)
      .then(begin)
      .catch(() => null); // it is worked out later, then
    foreseen = own;
  }

  /** What the hand held is let go, and done now: what was foreseen of something else is of no use. */
  function letGo(call: Call) {
    holding.value = false;
    if (foreseen?.begun && foreseen.call === JSON.stringify(call)) foreseen.due = true;
    else foresee(null);
  }

  /** Has the art of a revision drawn while what else there is to know of it is still worked out. */
  function drawAhead(shown: number) {
    const job = jobs.job;
    if (!job || art?.job !== job.id || instead.value || look.value !== "art" || shown === job.revision) return;
    const { marks } = art;
    // A change of another page while the hand still holds something is no word of it.
    const before = foreseen?.due && foreseen.marks === marks ? foreseen.tiles : null;
    if (before) foreseen = null;
    else foresee(null);
    const tiles: Promise<SheetTiles[]> = tilesFrom(job.id, shown, marks, before, (first) => {
      const { width_px: width, height_px: height } = first.head;
      if (art?.canvas.width === width && art.canvas.height === height)
        show(
          [first],
          tiles.then((drawn) => drawn.filter((own) => own !== first)),
        );
    });
    let awaited = tiles;
    ahead = { job: job.id, revision: shown, marks, tiles };
    const show = (drawn: SheetTiles[], rest: Promise<SheetTiles[]>) => {
      if (ahead?.tiles !== awaited || jobs.job?.id !== job.id || look.value !== "art") return;
      image.value = put(job.id, drawn);
      awaited = rest;
      ahead = { job: job.id, revision: shown, marks: art!.marks, tiles: rest };
      revision.value = early.value = shown;
    };
    tiles
      .then((drawn) => {
        if (drawn.length > 1) show(awaited === tiles ? drawn : drawn.slice(1), Promise.resolve([]));
      })
      .catch(() => {}); // whoever takes them is told
  }

  /** What was foreseen, where it came to something, and what differs from it after all. */
  async function tilesFrom(
    job: string,
    shown: number,
    marks: string[],
    before: Promise<SheetTiles | null> | null,
    seen: (first: SheetTiles) => void = () => {},
  ) {
    const first = await before;
    if (!first) return [await api.sheetTiles(job, shown, marks)];
    seen(first);
    const last = await api.sheetTiles(job, shown, first.head.marks);
    const same = first.head.width_px === last.head.width_px && first.head.height_px === last.head.height_px;
    return same ? [first, last] : [await api.sheetTiles(job, shown, marks)];
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
    const marks = art?.job === job ? art.marks : [];
    const drawn = await (drawnAhead(job, shown, marks) ?? tilesFrom(job, shown, marks, null));
    return stillWanted() ? put(job, drawn) : null;
  }

  function put(job: string, drawn: SheetTiles[]): SheetImage | null {
    const former = art?.job === job ? art : null;
    const head = drawn.at(-1)?.head;
    if (!head) return image.value;
    const { width_px: width, height_px: height, tile_px: side } = head;
    const same = former?.canvas.width === width && former.canvas.height === height;
    const sent = drawn.flatMap((tiles) => tiles.head.sent);
    if (same && sent.length === 0 && image.value?.source === former.canvas) {
      art = { ...former, marks: head.marks };
      return image.value;
    }
    const canvas = same ? former.canvas : Object.assign(document.createElement("canvas"), { width, height });
    const context = canvas.getContext("2d");
    const across = Math.ceil(width / side);
    const changed = drawn.flatMap(({ head: { sent }, texels }) => {
      let at = 0;
      return sent.map((index): Box => {
        const [left, top] = [(index % across) * side, Math.floor(index / across) * side];
        const box: Box = [left, top, Math.min(side, width - left), Math.min(side, height - top)];
        const bytes = new Uint8ClampedArray(texels, at, box[2] * box[3] * 4);
        at += bytes.length;
        context?.putImageData(new ImageData(bytes, box[2]), left, top);
        return box;
      });
    });
    art = { job, canvas, marks: head.marks };
    return { source: canvas, width, height, changed: same ? changed : null };
  }

  watch(
    wanted,
    async (now) => {
      const job = jobs.job;
      if (!now || !job) {
        image.value = revision.value = early.value = art = null;
        foresee(null);
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
        early.value = null;
      } catch {
        if (!stillWanted()) return;
        early.value = null;
        failed.value = now;
        messages.fail("The sheet could not be drawn; undo the last change or reload the page.");
      }
    },
    { immediate: true },
  );

  return { image, revision, look, instead, busy, early, holding, foresee, letGo, drawAhead };
});
