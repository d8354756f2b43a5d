import type { RequestHandler } from 'express';
import { t } from '../../words.ts';
import { HttpProblem } from '../http/problem.ts';

/** Who may ask: only our own pages, and programs that are no browser. */

const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|\[::1\])$/;

/** A host without its port and trailing dot: `LOCALHOST.:4870` → `localhost`. */
function hostName(host: string): string {
  return host.toLowerCase().replace(/:\d+$/, '').replace(/\.$/, '');
}

const refused = (detail: string) => new HttpProblem(403, 'forbidden', detail);

/**
 * Guards against pages of strangers in the same browser.
 *
 * A page that has its own name resolved to this machine (DNS rebinding) still sends that name as Host: only loopback
 * names and those configured are served. A page of another site sends its Origin: it must be the very address asked; a browser that
 * says a request comes from elsewhere is refused, readings too, but for a link that leads to a page. A
 * browser that names neither Origin nor `Sec-Fetch-Site` on a write is not trusted.
 *
 * @param hosts host names of this server, in addition to those of the loopback
 */
export function ownPagesOnly(hosts: readonly string[] = []): RequestHandler {
  const known = new Set(hosts.map(hostName));
  return (req, _res, next) => {
    const host = req.get('host') ?? '';
    const name = hostName(host);
    if (!LOOPBACK.test(name) && !known.has(name)) {
      throw refused(
        t`This server doesn’t answer to the name “${name.slice(0, 100)}”. To allow the name, start the server with --host ${name.slice(0, 100)}.`,
      );
    }
    const origin = req.get('origin');
    if (origin !== undefined && !sameSite(origin, host)) {
      throw refused(t`Requests from pages of other websites aren’t allowed.`);
    }
    const site = req.get('sec-fetch-site');
    const reads = req.method === 'GET' || req.method === 'HEAD';
    if (origin !== undefined) return next();
    if (site !== undefined) {
      // A link elsewhere may lead to a page of ours; the data behind it is asked for by that page.
      const follows = reads && req.get('sec-fetch-mode') === 'navigate' && !/^\/api\//i.test(req.path);
      if (site === 'same-origin' || site === 'none' || follows) return next();
      throw refused(t`Requests from pages of other websites aren’t allowed.`);
    }
    // On a name that is no loopback a browser does not say where a reading comes from; such a page cannot read it.
    if (!reads && /^Mozilla\//.test(req.get('user-agent') ?? '')) {
      throw refused(
        t`The browser doesn’t say which page this request comes from. Update the browser and try again.`,
      );
    }
    next();
  };
}

function sameSite(origin: string, host: string): boolean {
  try {
    const { protocol, host: from } = new URL(origin);
    return (protocol === 'http:' || protocol === 'https:') && from === new URL(`http://${host}`).host;
  } catch {
    return false;
  }
}
