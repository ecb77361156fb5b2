import { once } from 'node:events';
import { type AddressInfo, createConnection, createServer, type Socket } from 'node:net';

/** What happens to the connection when a transaction is to be committed. */
type AtCommit = 'passes' | 'is cut before' | 'is cut after';

/** The wire between a server and its database: it can be cut, at the very moment of a COMMIT too. */
export class Wire {
  atCommit: AtCommit = 'passes';
  /** At how many commits; after them all pass. */
  times = Number.POSITIVE_INFINITY;
  /** Whether anybody gets through. */
  isUp = true;
  private readonly open = new Set<Socket>();

  private constructor(
    private readonly listener: ReturnType<typeof createServer>,
    private readonly target: number,
  ) {
    listener.on('connection', (near) => this.join(near));
  }

  static async to(target: number): Promise<Wire> {
    const listener = createServer();
    listener.listen(0, '127.0.0.1');
    await once(listener, 'listening');
    return new Wire(listener, target);
  }

  get port(): number {
    return (this.listener.address() as AddressInfo).port;
  }

  /** Cuts all that is open. */
  cut(): void {
    for (const socket of this.open) socket.destroy();
  }

  async close(): Promise<void> {
    this.cut();
    this.listener.close();
    await once(this.listener, 'close');
  }

  private next(): AtCommit {
    if (this.times <= 0) return 'passes';
    this.times -= 1;
    return this.atCommit;
  }

  private join(near: Socket): void {
    if (!this.isUp) {
      near.destroy();
      return;
    }
    const far = createConnection({ host: '127.0.0.1', port: this.target });
    let isDeaf = false;
    const both = [near, far];
    for (const socket of both) {
      this.open.add(socket);
      // A wire that is cut is what is wanted here.
      socket.on('error', () => {});
      socket.on('close', () => {
        this.open.delete(socket);
        for (const other of both) other.destroy();
      });
    }
    near.on('data', (bytes) => {
      const how = bytes.includes('COMMIT') ? this.next() : 'passes';
      if (how === 'passes') far.write(bytes);
      else if (how === 'is cut before') near.destroy();
      else {
        isDeaf = true;
        far.write(bytes);
      }
    });
    far.on('data', (bytes) => {
      if (isDeaf) near.destroy();
      else near.write(bytes);
    });
  }
}
