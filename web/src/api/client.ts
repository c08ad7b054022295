import type {
  ArrayName,
  Band,
  Borders,
  CheckedSeams,
  Reach,
  Done,
  BroughtFile,
  Exchange,
  RevisedModel,
  PastStates,
  Differences,
  DeliveryOptions,
  MainColors,
  PrintOptions,
  Receiver,
  ReceiverRules,
  Receivers,
  RuleBreaks,
  Sheet,
  Brought,
  Clearance,
  Composed,
  FoundCells,
  Job,
  JobChange,
  Jobs,
  KeptSheetMap,
  Legends,
  Look,
  MeasureKind,
  NextLandmark,
  OperationName,
  Operations,
  PaintedOn,
  PickKind,
  Picked,
  Picks,
  Pieces,
  Preflight,
  Preview,
  Proposals,
  SheetTilesHead,
  SheetMap,
  Solids,
  Swap,
  Symmetry,
  TraceSettings,
  Triple,
  Watched,
  WorstFaces,
} from "./types";

/** What the server refused, or why it could not be asked. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly where: Record<string, unknown> = {},
  ) {
    super(message);
  }
}

/** What this page calls itself, so that a step of another page can be told from its own. */
const PAGE = crypto.randomUUID();

/** Work that is followed: its name, which its progress is told by, and what ends it. */
export interface Followed {
  work?: string;
  signal?: AbortSignal;
  /** the revision of the job that the page has */
  has?: number;
}

/** An operation and what it is given. */
export type Call = { [N in OperationName]: { name: N; parameters: Operations[N] } }[OperationName];

export interface SheetTiles {
  head: SheetTilesHead;
  texels: ArrayBuffer;
}

const UPLOAD_BYTES = 200 * 1024 * 1024;

function failure(status: number, text: string): ApiError {
  try {
    const { error } = JSON.parse(text) as { error: { code: string; message: string; where: Record<string, unknown> } };
    return new ApiError(status, error.code, error.message, error.where);
  } catch {
    if (status === 413) return new ApiError(status, "limit", "the file is too large; at most 200 MB are taken");
    return new ApiError(status, "unreachable", "the server does not answer; start it again, nothing saved is lost");
  }
}

function headers({ work, has }: Followed): Record<string, string> {
  return {
    "content-type": "application/json",
    "x-page": PAGE,
    ...(work ? { "x-work": work } : {}),
    ...(has === undefined ? {} : { "x-has": String(has) }),
  };
}

async function ask<T>(method: string, path: string, body?: unknown, followed: Followed = {}): Promise<T> {
  const { signal } = followed;
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      headers: headers(followed),
      body: body === undefined ? undefined : JSON.stringify(body),
      signal,
    });
  } catch {
    if (signal?.aborted) throw new ApiError(0, "cancelled", "cancelled");
    throw failure(0, "");
  }
  if (!response.ok) throw failure(response.status, await response.text());
  return (response.status === 204 ? undefined : await response.json()) as T;
}

/** The job as it is now, where the server tells only what differs from the one that the page has. */
async function askJob(method: string, rest: string, has: Job, body?: unknown, followed: Followed = {}): Promise<Job> {
  const path = at(has.id, rest);
  const answer = await ask<Job | JobChange>(method, path, body, { ...followed, has: has.revision });
  if (!("since" in answer)) return answer;
  const islands = answer.islands.length > 0 ? [...has.islands] : has.islands;
  for (const island of answer.islands) islands[island.index] = island;
  return { ...has, ...answer.changed, islands };
}

/** Lines of an answer, as they come in. */
async function* lines(path: string, body: object, followed: Followed): AsyncGenerator<string> {
  const { signal } = followed;
  const response = await fetch(path, {
    method: "POST",
    headers: headers(followed),
    body: JSON.stringify(body),
    signal,
  });
  if (!response.ok) throw failure(response.status, await response.text());
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    const parts = (rest + value).split("\n");
    rest = parts.pop()!;
    yield* parts;
  }
}

type Progress = (share: number) => void;

/** Sends files. XMLHttpRequest, as fetch tells no upload progress. */
function send<T>(
  path: string,
  files: File[],
  body: FormData | File,
  headers: Record<string, string>,
  onProgress?: Progress,
  signal?: AbortSignal,
): Promise<T> {
  const size = files.reduce((sum, file) => sum + file.size, 0);
  const names = files.map((file) => file.name).join(", ");
  if (size > UPLOAD_BYTES) {
    const message = `${names} ${files.length === 1 ? "is" : "are"} too large: ${Math.round(size / 1_048_576)} MB; at most 200 MB are taken`;
    return Promise.reject(new ApiError(413, "limit", message, { limit: UPLOAD_BYTES, got: size }));
  }
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", path);
    for (const [name, value] of Object.entries(headers)) request.setRequestHeader(name, value);
    request.upload.onprogress = (event) => onProgress?.(event.loaded / Math.max(event.total, 1));
    request.onload = () => {
      if (request.status < 300) resolve(JSON.parse(request.responseText) as T);
      else reject(failure(request.status, request.responseText));
    };
    request.onerror = () => reject(failure(0, ""));
    request.onabort = () => reject(new ApiError(0, "cancelled", `${names} was not brought in: cancelled`));
    signal?.addEventListener("abort", () => request.abort());
    request.send(body);
  });
}

/** One file as it is, its name in a header. */
const upload = <T>(path: string, file: File, onProgress?: Progress) =>
  send<T>(
    path,
    [file],
    file,
    { "content-type": "application/octet-stream", "x-file-name": encodeURIComponent(file.name) },
    onProgress,
  );

/** Several files that belong together, as a form. */
function uploadAll<T>(path: string, files: File[], onProgress?: Progress, signal?: AbortSignal): Promise<T> {
  const form = new FormData();
  for (const file of files) form.append("files[]", file, file.name);
  return send<T>(path, files, form, {}, onProgress, signal);
}

/** Lists are written with commas between. */
function query(values: Record<string, unknown>): string {
  const pairs = Object.entries(values).filter(([, value]) => value !== null && value !== undefined);
  return new URLSearchParams(pairs.map(([name, value]) => [name, String(value)])).toString();
}

const at = (id: string, rest = "") => `/api/jobs/${id}${rest}`;

export const api = {
  jobs: () => ask<Jobs>("GET", "/api/jobs").then(({ jobs }) => jobs),
  startJob: (files: File[], onProgress?: Progress, signal?: AbortSignal) =>
    uploadAll<Job>("/api/jobs", files, onProgress, signal),
  solids: () => ask<Solids>("GET", "/api/solids").then(({ solids }) => solids),
  startSolid: (kind: string, measures: Record<string, number>) => ask<Job>("POST", "/api/solids", { kind, measures }),
  job: (id: string) => ask<Job>("GET", at(id)),
  renameJob: (id: string, name: string) => ask<Job>("PATCH", at(id), { name }),
  copyJob: (id: string) => ask<Job>("POST", `${at(id)}/copy`),
  deleteJob: (id: string) => ask<void>("DELETE", at(id)),
  /** the job that the page has, as it is now */
  jobSince: (has: Job) => askJob("GET", "", has),
  operate: <N extends OperationName>(job: Job, name: N, parameters: Operations[N], followed?: Followed) =>
    askJob("POST", "/operations", job, { base_revision: job.revision, name, parameters }, followed),
  undo: (job: Job) => askJob("POST", "/undo", job),
  redo: (job: Job) => askJob("POST", "/redo", job),
  bringPicture: (id: string, file: File, onProgress?: Progress) =>
    upload<Brought>(at(id, "/pictures"), file, onProgress),
  bringModel: (id: string, file: File) => upload<BroughtFile>(at(id, "/models"), file),
  revised: (id: string, revision: number, digest: string, followed: Followed) =>
    ask<RevisedModel>("GET", at(id, `/revised/${digest}?${query({ revision })}`), undefined, followed),
  bringFont: (id: string, file: File) => upload<BroughtFile>(at(id, "/fonts"), file),
  preflight: (id: string, revision: number, followed: Followed) =>
    ask<Preflight>("GET", at(id, `/preflight?${query({ revision })}`), undefined, followed),
  worstFaces: (id: string, revision: number, by: MeasureKind) =>
    ask<WorstFaces>("GET", at(id, `/worst_faces?${query({ revision, by })}`)).then(({ faces }) => faces),
  /** indices of faces, edges or corners that are found from a click or from what is picked */
  pick: <W extends keyof Picks>(id: string, revision: number, way: W, kind: PickKind, from: Picks[W]) =>
    ask<Picked>("POST", at(id, `/picks/${way}?${query({ revision })}`), { kind, ...from }).then(
      ({ indices }) => indices,
    ),
  pieces: (id: string, revision: number) => ask<Pieces>("GET", at(id, `/pieces?${query({ revision })}`)),
  symmetry: (id: string, revision: number) => ask<Symmetry>("GET", at(id, `/symmetry?${query({ revision })}`)),
  /** the cylinder or cone that fits faces; its axis and a place on it may be given */
  band: (id: string, revision: number, faces: number[], given: { axis?: Triple; origin?: Triple } = {}) =>
    ask<Band>("POST", at(id, `/bands?${query({ revision })}`), { faces, ...given }),
  /** how near islands would come to others after a change: a matrix of px, in rows */
  clearance: (id: string, revision: number, islands: number[], change: number[]) =>
    ask<Clearance>("POST", at(id, `/clearances?${query({ revision })}`), { islands, change }),
  preview: <N extends OperationName>(
    id: string,
    revision: number,
    name: N,
    parameters: Operations[N],
    followed?: Followed,
  ) => ask<Preview>("POST", at(id, `/previews?${query({ revision })}`), { name, parameters }, followed),
  /** the steps of an operation that can be watched, as they are done; an aborted signal stops it */
  async *watch<N extends OperationName>(
    id: string,
    revision: number,
    name: N,
    parameters: Operations[N],
    followed: Followed,
  ): AsyncGenerator<Watched> {
    let whole = false;
    for await (const line of lines(at(id, `/watches?${query({ revision })}`), { name, parameters }, followed)) {
      const step = JSON.parse(line) as
        Watched | { done: true } | { error: { code: string; message: string; where: Record<string, unknown> } };
      if ("error" in step) throw new ApiError(422, step.error.code, step.error.message, step.error.where);
      if ("done" in step) whole = true;
      else yield step;
    }
    if (!whole && !followed.signal?.aborted) {
      const message = "this work was ended before it was done; what it found until then is shown";
      throw new ApiError(0, "work_ended", message);
    }
  },
  map: (id: string, revision: number) => ask<SheetMap>("GET", at(id, `/map?${query({ revision })}`)),
  /** with what lies otherwise now */
  keptMap: (id: string, revision: number, index: number) =>
    ask<KeptSheetMap>("GET", at(id, `/kept_maps/${index}?${query({ revision })}`)),
  /** found by the server, or of a typed grid */
  findCells: (id: string, revision: number, underlay: number, grid: object = {}, followed?: Followed) =>
    ask<FoundCells>("POST", at(id, `/underlays/${underlay}/cells?${query({ revision })}`), grid, followed).then(
      ({ cells }) => cells,
    ),
  /** one sheet of several pictures, and where each lies on it */
  compose: (
    id: string,
    wanted: {
      pictures: string[];
      columns: number;
      width_px: number;
      height_px: number;
      gutter_px: number;
      trim: boolean;
      even_light: boolean;
    },
  ) => ask<Composed>("POST", at(id, "/compositions"), wanted),
  swap: (id: string, revision: number, underlay: number) =>
    ask<Swap>("GET", at(id, `/underlays/${underlay}/swap?${query({ revision })}`)),
  matches: (id: string, revision: number, islands: number[] | null, followed?: Followed) =>
    ask<Proposals>("POST", at(id, `/matches?${query({ revision })}`), islands ? { islands } : {}, followed).then(
      ({ proposals }) => proposals,
    ),
  borders: (id: string, revision: number) =>
    ask<Borders>("GET", at(id, `/borders?${query({ revision })}`)).then(({ borders }) => borders),
  ruleBreaks: (id: string, revision: number, options: Sheet & DeliveryOptions & ReceiverRules) =>
    ask<RuleBreaks>("GET", at(id, `/delivery-check?${query({ revision, ...options })}`)).then(({ breaks }) => breaks),
  mainColors: (id: string, digest: string) =>
    ask<MainColors>("GET", at(id, `/pictures/${digest}/colors`)).then(({ colors }) => colors),
  paintedOn: (id: string, revision: number, digest: string) =>
    ask<PaintedOn>("GET", at(id, `/pictures/${digest}/painted-on?${query({ revision })}`)),
  seams: (id: string, revision: number) =>
    ask<CheckedSeams>("GET", at(id, `/seams?${query({ revision })}`)).then(({ seams }) => seams),
  /** Lays a layer of one job into another; gives what was done. */
  copyLayer: (id: string, revision: number, layer: string, to: string) =>
    ask<Done>("POST", at(id, `/layers/${encodeURIComponent(layer)}/copies`), { to, revision }).then(
      ({ sentence }) => sentence,
    ),
  history: (id: string) => ask<PastStates>("GET", at(id, "/history")).then(({ states }) => states),
  markState: (id: string, revision: number, mark: string | null) =>
    ask<PastStates>("POST", at(id, `/history/${revision}/mark`), { mark }).then(({ states }) => states),
  differences: (id: string, revision: number) =>
    ask<Differences>("GET", at(id, `/history/${revision}/differences`)).then(({ lines }) => lines),
  goBack: (job: Job, revision: number) => askJob("POST", `/history/${revision}/back`, job, {}),
  exchange: (id: string) => ask<Exchange>("GET", at(id, "/exchange")),
  openExchange: (id: string) => ask<Exchange>("POST", at(id, "/exchange"), {}),
  closeExchange: (id: string) => ask<Exchange>("DELETE", at(id, "/exchange")),
  /** Has what an address would give written into the exchange folder; gives what was done. */
  intoFolder: (url: string) => ask<Done>("POST", url).then(({ sentence }) => sentence),
  reach: (id: string, revision: number, followed: Followed) =>
    ask<Reach>("GET", at(id, `/reach?${query({ revision })}`), undefined, followed),
  nextLandmark: (id: string, revision: number, island: number) =>
    ask<NextLandmark>("GET", at(id, `/landmarks/next?${query({ revision, island })}`)).then(({ at_px }) => at_px),
  receivers: () => ask<Receivers>("GET", "/api/receivers").then(({ receivers }) => receivers),
  keepReceiver: (receiver: Receiver) =>
    ask<Receivers>("POST", "/api/receivers", receiver).then(({ receivers }) => receivers),
  removeReceiver: (name: string) =>
    ask<Receivers>("DELETE", `/api/receivers/${encodeURIComponent(name)}`).then(({ receivers }) => receivers),
  loadReceivers: (file: File) => upload<Receivers>("/api/receivers.json", file).then(({ receivers }) => receivers),
  legends: () => ask<Legends>("GET", "/api/legends"),
  /**
   * Arrays of a job, by their names.
   *
   * @param kept the kept map that they are of; the present one without it
   */
  async arrays<N extends ArrayName>(
    id: string,
    names: readonly N[],
    revision: number,
    version: string,
    kept: number | null = null,
  ): Promise<Record<N, ArrayBuffer>> {
    const response = await fetch(at(id, `/arrays/${names.join(",")}?${query({ revision, version, kept })}`));
    if (!response.ok) throw failure(response.status, await response.text());
    const bytes = await response.arrayBuffer();
    const view = new DataView(bytes);
    let from = 0;
    const arrays = names.map((name) => {
      // Several come each after its length.
      const start = names.length > 1 ? from + 4 : 0;
      from = names.length > 1 ? start + view.getUint32(from, true) : bytes.byteLength;
      return [name, bytes.slice(start, from)] as const;
    });
    return Object.fromEntries(arrays) as Record<N, ArrayBuffer>;
  },

  /**
   * The composed sheet: which tiles it has, and the texels of those that differ from the known ones.
   *
   * @param call an operation, after which the sheet is asked for
   */
  async sheetTiles(
    id: string,
    revision: number,
    known: string[],
    call?: Call,
    signal?: AbortSignal,
  ): Promise<SheetTiles> {
    const asked = call && { method: "POST", headers: headers({}), body: JSON.stringify(call), signal };
    const response = await fetch(at(id, `/sheet.tiles?${query({ revision, known: known.join(",") })}`), asked);
    if (!response.ok) throw failure(response.status, await response.text());
    const bytes = await response.arrayBuffer();
    const length = new DataView(bytes).getUint32(0, true);
    const head = JSON.parse(new TextDecoder().decode(new Uint8Array(bytes, 4, length))) as SheetTilesHead;
    return { head, texels: bytes.slice(4 + length) };
  },

  /** Addresses of what the browser loads by itself: images, files and the stream of events. */
  urls: {
    events: "/api/events",
    look: (id: string, revision: number, look: Exclude<Look, "art">) => at(id, `/${look}.png?${query({ revision })}`),
    mask: (id: string, revision: number) => at(id, `/mask.png?${query({ revision })}`),
    relief: (id: string, revision: number, kind: "height" | "normals") => at(id, `/${kind}.png?${query({ revision })}`),
    revised: (id: string, revision: number, digest: string, side: "before" | "after") =>
      at(id, `/revised/${digest}/${side}.png?${query({ revision })}`),
    largeModel: (id: string, revision: number) => at(id, `/large-model.png?${query({ revision })}`),
    model: (id: string, revision: number) => at(id, `/model.png?${query({ revision })}`),
    edition: (id: string, revision: number, edition: number, view: string) =>
      at(id, `/editions/${edition}/model.png?${query({ revision, view })}`),
    template: (id: string, revision: number, code: string) => at(id, `/templates/${code}.png?${query({ revision })}`),
    thumbnail: (id: string, revision: number) => at(id, `/thumbnail.png?${query({ revision })}`),
    worn: (id: string, revision: number, kept: number | null) => at(id, `/worn.png?${query({ revision, kept })}`),
    underlay: (id: string, revision: number, index: number) => at(id, `/underlays/${index}.png?${query({ revision })}`),
    cells: (id: string, revision: number, index: number) =>
      at(id, `/underlays/${index}/cells.json?${query({ revision })}`),
    palette: (id: string, revision: number) => at(id, `/palette.txt?${query({ revision })}`),
    editions: (id: string, revision: number) => at(id, `/editions.csv?${query({ revision })}`),
    layout: (id: string, revision: number) => at(id, `/layout.json?${query({ revision })}`),
    picture: (id: string, digest: string) => at(id, `/pictures/${digest}`),
    trace: (id: string, revision: number, format: string, settings: TraceSettings, preview = false) =>
      at(id, `/trace.${format}?${query({ revision, ...settings, preview: preview ? 1 : null })}`),
    recipe: (id: string) => at(id, "/recipe.zip"),
    archive: (id: string) => at(id, "/job.zip"),
    receivers: "/api/receivers.json",
    delivery: (id: string, revision: number, options: Sheet & DeliveryOptions) =>
      at(id, `/deliver.zip?${query({ revision, ...options })}`),
    print: (id: string, revision: number, options: PrintOptions) =>
      at(id, `/print.${options.format}?${query({ revision, ...options })}`),
  },
};
