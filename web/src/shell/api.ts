// The server's routes. Errors carry the server's sentence and code.

export class ApiError extends Error {
  readonly status: number;
  readonly code: string;
  readonly rev?: number;
  constructor(status: number, code: string, text: string, rev?: number) {
    super(text);
    this.status = status;
    this.code = code;
    this.rev = rev;
  }
}

/** One lesson of the shelf. */
export interface ShelfLine {
  id: string;
  title: string;
  objective: string;
  scenes: number;
  rev: number;
  updatedAt: string;
  deletedAt?: string;
}

let firstBuild: string | null = null;
let newBuild: (() => void) | undefined;

/** Called once when the server turns out to have a newer front end than this tab. */
export function onNewBuild(listener: () => void) {
  newBuild = listener;
}

async function request<T>(method: string, path: string, body?: unknown, raw?: string): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: body === undefined && raw === undefined ? {} : { 'Content-Type': 'application/json' },
      body: raw ?? (body === undefined ? undefined : JSON.stringify(body)),
    });
  } catch {
    throw new ApiError(0, 'offline', 'The server cannot be reached just now.');
  }
  noticeBuild(response.headers.get('X-Unitbloom-Build'));
  if (response.status === 204) return undefined as T;
  const answer = (await response.json().catch(() => ({}))) as {
    error?: { code: string; text: string; rev?: number };
  };
  if (!response.ok) {
    const e = answer.error;
    throw new ApiError(
      response.status,
      e?.code ?? 'unknown',
      e?.text ?? 'The server did not answer as it should.',
      e?.rev,
    );
  }
  return answer as T;
}

function noticeBuild(build: string | null) {
  if (!build) return;
  firstBuild ??= build;
  if (build !== firstBuild) newBuild?.();
}

export const api = {
  list: (deleted = false) =>
    request<{ lessons: ShelfLine[] }>('GET', `/lessons${deleted ? '?deleted=1' : ''}`).then((r) => r.lessons),
  get: (id: string) => request<{ rev: number; lesson: unknown }>('GET', `/lessons/${id}`),
  create: (lesson: unknown) =>
    request<{ id: string; title: string; rev: number }>('POST', '/lessons', lesson),
  importFile: (text: string) => request<{ id: string; title: string }>('POST', '/lessons', undefined, text),
  save: (id: string, save: { operation: string; base: number; edits: unknown[]; holder: string }) =>
    request<{ rev: number }>('POST', `/lessons/${id}/saves`, save),
  hold: (id: string, holder: string, take: boolean) =>
    request<{ held: boolean }>('POST', `/lessons/${id}/hold`, { holder, take }),
  delete: (id: string) => request<void>('DELETE', `/lessons/${id}`),
  restore: (id: string) => request<void>('POST', `/lessons/${id}/restore`),
  signIn: (passphrase: string) => request<void>('POST', '/session', { passphrase }),
};

/** A name that no other lesson, scene, save or tab has. Works without a secure context. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(9));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('');
}
