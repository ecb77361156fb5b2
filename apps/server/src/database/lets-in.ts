import { createConnection } from 'mysql2/promise';

/** Whether a database of this machine lets the house's user in. */
export async function letsIn(port: number, password: string): Promise<boolean> {
  try {
    const host = '127.0.0.1';
    const connection = await createConnection({ host, port, user: 'spare_knot', password });
    connection.destroy();
    return true;
  } catch {
    return false;
  }
}
