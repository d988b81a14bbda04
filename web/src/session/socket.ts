/** A socket that comes back by itself, and says how it stands. */
import type { ServerMessage } from "../api/types";

const FIRST_WAIT = 250;
const LONGEST_WAIT = 5_000;
/**
 * The server says something every five seconds; a client that hears nothing for so long has lost it. Or what
 * it says is so large for the way that it is not here yet: each time in a row it is given twice as long.
 */
const SILENT = 13_000;
const MOST_SILENT = 120_000;
/** Codes with which the server says that coming back is no use (RFC 6455, 7.4.2: for private use). */
const SIGNED_OUT = 4401;
const SHUT = new Set([SIGNED_OUT, 4403, 4404]);

export interface Listener {
  message: (message: ServerMessage) => void;
  opened: () => void;
  lost: () => void;
  /** The server will not have it open: why, and whether that is because nobody is signed in (any more). */
  shut: (why: string, signedOut: boolean) => void;
}

export class Socket {
  private socket: WebSocket | null = null;
  private wait = FIRST_WAIT;
  private closed = false;
  private timer = 0;
  private silence = 0;
  private patience = SILENT;
  private readonly offline = () => this.again();

  constructor(
    private readonly address: () => string,
    private readonly listener: Listener,
  ) {
    window.addEventListener("offline", this.offline);
    this.open();
  }

  get ready(): boolean {
    return this.socket?.readyState === WebSocket.OPEN;
  }

  send(message: unknown): boolean {
    if (!this.ready) return false;
    this.socket?.send(JSON.stringify(message));
    return true;
  }

  /** Begins again: the server tells all anew. */
  again(): void {
    const { socket } = this;
    if (!socket || this.closed) return;
    // What is left of it says nothing more: where the way is broken its end would come only after minutes.
    this.let(socket);
    this.lost();
  }

  close(): void {
    this.closed = true;
    window.removeEventListener("offline", this.offline);
    window.clearTimeout(this.timer);
    if (this.socket) this.let(this.socket);
  }

  private let(socket: WebSocket): void {
    window.clearTimeout(this.silence);
    this.socket = null;
    socket.onopen = socket.onmessage = socket.onclose = null;
    socket.close();
  }

  private lost(): void {
    this.listener.lost();
    window.clearTimeout(this.timer);
    this.timer = window.setTimeout(() => this.open(), this.wait);
    this.wait = Math.min(LONGEST_WAIT, this.wait * 2);
  }

  /** Something was heard. */
  private heard(): void {
    window.clearTimeout(this.silence);
    this.silence = window.setTimeout(() => {
      this.patience = Math.min(MOST_SILENT, 2 * this.patience);
      this.again();
    }, this.patience);
  }

  private open(): void {
    const socket = new WebSocket(this.address());
    socket.binaryType = "arraybuffer";
    this.socket = socket;
    const decoder = new TextDecoder();
    // To be opened takes no longer than that, either.
    this.heard();
    socket.onopen = () => {
      this.heard();
      this.wait = FIRST_WAIT;
      this.listener.opened();
    };
    socket.onmessage = (event: MessageEvent<ArrayBuffer | string>) => {
      const text = typeof event.data === "string" ? event.data : decoder.decode(event.data);
      const message = JSON.parse(text) as ServerMessage;
      // Nothing large is on its way any more.
      if (message.type === "alive") this.patience = SILENT;
      this.heard();
      this.listener.message(message);
    };
    socket.onclose = (event: CloseEvent) => {
      if (this.closed) return;
      window.clearTimeout(this.silence);
      if (SHUT.has(event.code)) {
        this.closed = true;
        this.listener.shut(event.reason, event.code === SIGNED_OUT);
        return;
      }
      this.socket = null;
      this.lost();
    };
  }
}
