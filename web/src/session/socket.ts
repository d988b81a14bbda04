/** A socket that comes back by itself, and says how it stands. */
import type { ServerMessage } from "../api/types";

const FIRST_WAIT = 250;
const LONGEST_WAIT = 5_000;
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

  constructor(
    private readonly address: string,
    private readonly listener: Listener,
  ) {
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
    this.socket?.close();
  }

  close(): void {
    this.closed = true;
    window.clearTimeout(this.timer);
    this.socket?.close();
  }

  private open(): void {
    const socket = new WebSocket(this.address);
    socket.binaryType = "arraybuffer";
    this.socket = socket;
    const decoder = new TextDecoder();
    socket.onopen = () => {
      this.wait = FIRST_WAIT;
      this.listener.opened();
    };
    socket.onmessage = (event: MessageEvent<ArrayBuffer | string>) => {
      const text = typeof event.data === "string" ? event.data : decoder.decode(event.data);
      this.listener.message(JSON.parse(text) as ServerMessage);
    };
    socket.onclose = (event: CloseEvent) => {
      if (this.closed) return;
      if (SHUT.has(event.code)) {
        this.closed = true;
        this.listener.shut(event.reason, event.code === SIGNED_OUT);
        return;
      }
      this.listener.lost();
      this.timer = window.setTimeout(() => this.open(), this.wait);
      this.wait = Math.min(LONGEST_WAIT, this.wait * 2);
    };
  }
}
