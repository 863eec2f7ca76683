import type { PhotoMark, PhotoMoment, PieceId } from '@early-lantern/contract';

/** A photo as it waits on this device. */
export interface WaitingPhoto {
  /** Made here, 32 hexadecimal digits: by it the server knows it again. */
  id: string;
  pieceId: PieceId;
  /** By the clock of this device, ISO 8601. */
  takenAt: string;
  marks: PhotoMark[];
  moment: PhotoMoment;
  content: Blob;
  /** Why the server will not have it; undefined while it only waits. */
  refused?: string;
}

/** Where photos of one job wait, whatever becomes of the page. */
export interface PhotoStore {
  read(): Promise<WaitingPhoto[]>;
  keep(photo: WaitingPhoto): Promise<void>;
  drop(id: string): Promise<void>;
}

/** The server refused it, and will again: there is no use in sending it as it is. */
export class PhotoRefused extends Error {}

/**
 * Photos taken on this device on their way to the server. One is kept before it is shown, and goes only once the server has said
 * that it has it: where that answer is lost it is sent again under the same id, and found there.
 */
export class PhotoOutbox {
  readonly #store: PhotoStore;
  readonly #send: (photo: WaitingPhoto) => Promise<void>;
  readonly #listeners = new Set<() => void>();
  #photos: readonly WaitingPhoto[] = [];
  #sending: Promise<number> | undefined;

  /** @param send fails with PhotoRefused where there is no use in trying again, and with anything else where there is */
  constructor(store: PhotoStore, send: (photo: WaitingPhoto) => Promise<void>) {
    this.#store = store;
    this.#send = send;
  }

  /** What is kept on this device, and what was taken on this page while that was being read. */
  async open(): Promise<void> {
    const kept = await this.#store.read();
    const here = this.#photos.filter(({ id }) => !kept.some((one) => one.id === id));
    this.#tell([...kept, ...here]);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly getSnapshot = (): readonly WaitingPhoto[] => this.#photos;

  /** @throws what the store throws, as where there is no room: then it is on this page alone, and still sent */
  async add(photo: WaitingPhoto): Promise<void> {
    this.#tell([...this.#photos, photo]);
    await this.#store.keep(photo);
  }

  async remove(id: string): Promise<void> {
    this.#tell(this.#photos.filter((one) => one.id !== id));
    await this.#store.drop(id);
  }

  /** Sends what waits, one after the other, once at a time. @returns how many were taken @throws where one did not get through */
  sync(): Promise<number> {
    this.#sending ??= this.#sendAll().finally(() => {
      this.#sending = undefined;
    });
    return this.#sending;
  }

  async #sendAll(): Promise<number> {
    let sent = 0;
    for (const photo of this.#photos.filter(({ refused }) => !refused)) {
      try {
        await this.#send(photo);
      } catch (error) {
        if (!(error instanceof PhotoRefused)) throw error;
        const told = { ...photo, refused: error.message };
        this.#tell(this.#photos.map((one) => (one.id === photo.id ? told : one)));
        await this.#store.keep(told);
        continue;
      }
      await this.remove(photo.id);
      sent += 1;
    }
    return sent;
  }

  #tell(photos: readonly WaitingPhoto[]): void {
    this.#photos = photos;
    for (const listener of this.#listeners) listener();
  }
}
