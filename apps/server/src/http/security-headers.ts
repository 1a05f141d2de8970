import helmet from 'helmet';

/**
 * Headers that keep other pages out. Scripts, connections, fonts and workers come from this server alone; styles may be in
 * elements, as the messages' do. Plain HTTP has no certificate to insist on.
 *
 * @param isPrivate  whether browsers take the line for private: where they do not they complain of headers that ask for more
 */
export const securityHeaders = (isPrivate: boolean) =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        'default-src': ["'none'"],
        'script-src': ["'self'"],
        'style-src': ["'self'", "'unsafe-inline'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'", 'data:'],
        'connect-src': ["'self'"],
        'worker-src': ["'self'"],
        'manifest-src': ["'self'"],
        'base-uri': ["'none'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
      },
    },
    strictTransportSecurity: false,
    ...(!isPrivate && { crossOriginOpenerPolicy: false, originAgentCluster: false }),
    // The form of the passphrase needs its origin; no other request sends one.
    referrerPolicy: { policy: 'same-origin' },
    xFrameOptions: { action: 'deny' },
  });
