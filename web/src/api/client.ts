import type { ArrayName, Job, JobCard, Picture, TraceSettings } from "./types";

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

async function ask<T>(method: string, path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      headers: { "content-type": "application/json" },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
  } catch {
    throw failure(0, "");
  }
  if (!response.ok) throw failure(response.status, await response.text());
  return (response.status === 204 ? undefined : await response.json()) as T;
}

/** Sends a file as it is. XMLHttpRequest, as fetch tells no upload progress. */
function upload<T>(path: string, file: File, onProgress?: (share: number) => void, signal?: AbortSignal): Promise<T> {
  if (file.size > UPLOAD_BYTES) {
    const size = Math.round(file.size / 1_048_576);
    return Promise.reject(
      new ApiError(413, "limit", `${file.name} is too large: ${size} MB; at most 200 MB are taken`, { limit: UPLOAD_BYTES, got: file.size }),
    );
  }
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", path);
    request.setRequestHeader("content-type", "application/octet-stream");
    request.setRequestHeader("x-file-name", encodeURIComponent(file.name));
    request.upload.onprogress = (event) => onProgress?.(event.loaded / Math.max(event.total, 1));
    request.onload = () => {
      if (request.status < 300) resolve(JSON.parse(request.responseText) as T);
      else reject(failure(request.status, request.responseText));
    };
    request.onerror = () => reject(failure(0, ""));
    request.onabort = () => reject(new ApiError(0, "cancelled", `${file.name} was not brought in: cancelled`));
    signal?.addEventListener("abort", () => request.abort());
    request.send(file);
  });
}

function query(values: Record<string, string | number | null | undefined>): string {
  const pairs = Object.entries(values).filter(([, value]) => value !== null && value !== undefined);
  return new URLSearchParams(pairs.map(([name, value]) => [name, String(value)])).toString();
}

const at = (id: string, rest = "") => `/api/jobs/${id}${rest}`;

export const api = {
  jobs: () => ask<{ jobs: JobCard[] }>("GET", "/api/jobs").then(({ jobs }) => jobs),
  startJob: (file: File, onProgress?: (share: number) => void, signal?: AbortSignal) =>
    upload<Job>("/api/jobs", file, onProgress, signal),
  job: (id: string) => ask<Job>("GET", at(id)),
  renameJob: (id: string, name: string) => ask<Job>("PATCH", at(id), { name }),
  deleteJob: (id: string) => ask<void>("DELETE", at(id)),
  operate: (id: string, base_revision: number, name: string, parameters: object) =>
    ask<Job>("POST", at(id, "/operations"), { base_revision, name, parameters }),
  undo: (id: string) => ask<Job>("POST", at(id, "/undo")),
  redo: (id: string) => ask<Job>("POST", at(id, "/redo")),
  bringPicture: (id: string, file: File, onProgress?: (share: number) => void) =>
    upload<Picture>(at(id, "/pictures"), file, onProgress),
  async array(id: string, name: ArrayName, revision: number, version: string): Promise<ArrayBuffer> {
    const response = await fetch(at(id, `/arrays/${name}?${query({ revision, version })}`));
    if (!response.ok) throw failure(response.status, await response.text());
    return response.arrayBuffer();
  },
  events: (id: string) => new EventSource(at(id, "/events")),

  /** Addresses of images and files that the browser loads by itself. */
  urls: {
    sheet: (id: string, revision: number) => at(id, `/sheet.png?${query({ revision })}`),
    chart: (id: string, revision: number) => at(id, `/chart.png?${query({ revision })}`),
    thumbnail: (id: string, revision: number) => at(id, `/thumbnail.png?${query({ revision })}`),
    picture: (id: string, digest: string) => at(id, `/pictures/${digest}`),
    trace: (id: string, revision: number, { islands, ...settings }: TraceSettings, preview = false) =>
      at(id, `/trace.png?${query({ revision, ...settings, islands: islands?.join(","), preview: preview ? 1 : null })}`),
    delivery: (id: string, revision: number, width_px: number, height_px: number) =>
      at(id, `/deliver.zip?${query({ revision, width_px, height_px })}`),
  },
};
