import { spawn, type ChildProcess } from 'node:child_process';
import { connect, createServer, type AddressInfo, type Server, type Socket } from 'node:net';

const setting = (name: string): string => {
  const value = process.env[name];
  if (!value) {
    throw new Error(`${name} is not set. Run these tests with ./dev test.`);
  }
  return value;
};

/** Stands between the server and its database, so that a test can take the database away and bring it back. */
export class DatabaseLine {
  private readonly open = new Set<Socket>();
  private up = true;

  private constructor(
    private readonly listener: Server,
    readonly port: number,
  ) {}

  static async to(host: string, port: number): Promise<DatabaseLine> {
    const listener = createServer();
    await new Promise<void>((done) => listener.listen(0, '127.0.0.1', done));
    const line = new DatabaseLine(listener, (listener.address() as AddressInfo).port);
    listener.on('connection', (from) => line.join(from, connect(port, host)));
    return line;
  }

  cut(): void {
    this.up = false;
    for (const socket of this.open) {
      socket.destroy();
    }
  }

  mend(): void {
    this.up = true;
  }

  close(): void {
    this.cut();
    this.listener.close();
  }

  private join(from: Socket, to: Socket): void {
    if (!this.up) {
      from.destroy();
      to.destroy();
      return;
    }
    for (const [here, there] of [
      [from, to],
      [to, from],
    ] as const) {
      this.open.add(here);
      here.on('error', () => here.destroy());
      here.on('close', () => {
        this.open.delete(here);
        there.destroy();
      });
      here.pipe(there);
    }
  }
}

export interface Running {
  address: string;
  database: DatabaseLine;
  stop: () => Promise<void>;
}

/** The built server with a database of its own. */
export async function startServer(name: string): Promise<Running> {
  const parts = new Map(
    setting('JUXTOPSIS_TEST_DB')
      .split(';')
      .filter(Boolean)
      .map((part) => part.split('=', 2) as [string, string]),
  );
  const database = await DatabaseLine.to(parts.get('Host') ?? '127.0.0.1', Number(parts.get('Port') ?? 5432));
  parts.set('Host', '127.0.0.1').set('Port', String(database.port)).set('Database', name).set('Timeout', '2');
  const connection = [...parts].map(([key, value]) => `${key}=${value}`).join(';');

  const server = spawn('dotnet', ['Juxtopsis.Server.dll'], {
    cwd: setting('JUXTOPSIS_E2E_APP'),
    env: {
      ...process.env,
      ConnectionStrings__Juxtopsis: connection,
      Juxtopsis__Pages: setting('JUXTOPSIS_E2E_PAGES'),
      ASPNETCORE_URLS: 'http://127.0.0.1:0',
    },
  });
  const address = await addressOf(server);
  await until(async () => (await fetch(`${address}/health`)).ok);
  return {
    address,
    database,
    stop: async () => {
      const gone = new Promise((done) => server.once('exit', done));
      server.kill('SIGTERM');
      await gone;
      database.close();
    },
  };
}

function addressOf(server: ChildProcess): Promise<string> {
  return new Promise((found, failed) => {
    let said = '';
    const listen = (chunk: Buffer) => {
      said += chunk.toString();
      const match = /Now listening on: (http:\S+)/.exec(said);
      if (match) {
        found(match[1]!);
      }
    };
    server.stdout!.on('data', listen);
    server.stderr!.on('data', listen);
    server.once('exit', () => failed(new Error(`The server stopped while starting:\n${said}`)));
  });
}

async function until(ready: () => Promise<boolean>): Promise<void> {
  for (let i = 0; i < 300; i++) {
    if (await ready().catch(() => false)) {
      return;
    }
    await new Promise((done) => setTimeout(done, 100));
  }
  throw new Error('The server did not become ready.');
}
