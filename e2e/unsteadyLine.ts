import { connect, createServer, type AddressInfo, type Server, type Socket } from 'node:net';

/** A line to the server that a test can cut and fix: it hands bytes on both ways. */
export class UnsteadyLine {
  private readonly sockets = new Set<Socket>();
  private isCut = false;

  private constructor(
    private readonly server: Server,
    readonly address: string,
  ) {}

  static async to(target: string): Promise<UnsteadyLine> {
    const server = createServer();
    await new Promise<void>((resolve) => server.listen(0, 'localhost', resolve));
    const line = new UnsteadyLine(server, `http://localhost:${(server.address() as AddressInfo).port}`);
    const port = Number(new URL(target).port);
    server.on('connection', (near) => line.join(near, connect(port, 'localhost')));
    return line;
  }

  private join(near: Socket, far: Socket) {
    for (const [socket, other] of [
      [near, far],
      [far, near],
    ] as const) {
      this.sockets.add(socket);
      socket.on('error', () => undefined);
      socket.on('close', () => {
        this.sockets.delete(socket);
        other.destroy();
      });
      socket.pipe(other);
    }
    if (this.isCut) near.destroy();
  }

  /** Breaks every connection, and lets no new one through until it is fixed. */
  cut() {
    this.isCut = true;
    for (const socket of this.sockets) socket.destroy();
  }

  fix() {
    this.isCut = false;
  }

  async close(): Promise<void> {
    this.cut();
    await new Promise((resolve) => this.server.close(resolve));
  }
}
