import { serverAddress } from '../api/base-path.ts';
import { useQuery } from '@tanstack/react-query';
import type { DevicesAnswer } from '@usual-drag/contract';
import { useState } from 'react';
import { aboutQuery } from '../api/about.ts';
import { devicesQuery, signOut, signOutEverywhere } from '../api/devices.ts';
import { forgetAnswers } from '../api/signed-out.ts';
import { Button } from '../ui/button.tsx';
import { Note } from '../ui/note.tsx';
import { PersonField } from '../ui/person-field.tsx';
import { toast } from '../ui/toast.ts';

/** Devices that are signed in, how to add others, and how to sign all out. */
export function DevicesPage() {
  const { data, error } = useQuery(devicesQuery);
  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-3xl flex-col gap-6 px-4 py-4 sm:px-6">
        <h1 className="text-[26px] font-bold">Devices</h1>
        <section aria-labelledby="this-device" className="flex flex-col gap-2">
          <h2 id="this-device" className="text-[19px] font-bold">
            This device
          </h2>
          <p className="text-soft">Readings taken on this device are recorded under this name. No account is needed.</p>
          <PersonField
            label="Your name"
            placeholder="a name, for the record"
            className="w-full max-w-72 [&_label]:mb-1.5"
          />
        </section>
        {error && <p role="alert">{error.message}</p>}
        {data && (data.isOpen ? <OthersGetIn devices={data} /> : <NobodyElse />)}
        {data?.isOpen && <SigningOut />}
      </div>
    </main>
  );
}

function OthersGetIn({ devices: { addresses, isPrivate } }: { readonly devices: DevicesAnswer }) {
  const [first] = addresses;
  return (
    <section aria-labelledby="others" className="flex flex-col gap-3">
      <h2 id="others" className="text-[19px] font-bold">
        Phones and other computers
      </h2>
      {!isPrivate && (
        <Note kind="limit">
          This connection is not encrypted: others on the network can read it. Start the server with a certificate
          (TLS_CERT and TLS_KEY) to encrypt it. A phone can install the page, and keep it without a connection, only
          then.
        </Note>
      )}
      <div className="flex flex-wrap items-center gap-x-6 gap-y-3">
        {first && (
          <img
            src={`data:image/svg+xml;utf8,${encodeURIComponent(first.code)}`}
            alt={`QR code of ${first.address}`}
            className="size-44 rounded-xl border border-line"
          />
        )}
        <div className="flex min-w-0 flex-1 basis-72 flex-col gap-2">
          <p>Point the other device’s camera at the code, or open this address there. Enter the passphrase once.</p>
          <ul className="flex flex-col gap-1">
            {addresses.map(({ address }) => (
              <li key={address} className="figures text-[19px] break-all select-all">
                {address}
              </li>
            ))}
          </ul>
        </div>
      </div>
      <p className="text-soft">
        Two devices on one job show each other’s readings immediately. Readings from both are kept; if both change the
        network, the second is asked which version to keep.
      </p>
    </section>
  );
}

function NobodyElse() {
  const { data: about } = useQuery(aboutQuery);
  return (
    <section aria-labelledby="others" className="flex flex-col gap-2">
      <h2 id="others" className="text-[19px] font-bold">
        Phones and other computers
      </h2>
      <p>
        Only this computer can connect. To let other devices connect, start the server with a passphrase of your own:
      </p>
      <p className="figures rounded-lg bg-sunk px-3 py-2 text-[15px] break-words">{about?.commands.startForDevices}</p>
    </section>
  );
}

function SigningOut() {
  const [asked, setAsked] = useState(false);
  const leave = async (how: () => Promise<unknown>): Promise<void> => {
    try {
      await how();
      await forgetAnswers();
      location.assign(serverAddress('sign-in'));
    } catch (fault) {
      toast.error(`Nobody was signed out: ${(fault as Error).message}`);
    }
  };
  return (
    <section aria-labelledby="signing-out" className="flex flex-col gap-2">
      <h2 id="signing-out" className="text-[19px] font-bold">
        Signing out
      </h2>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void leave(signOut)}>Sign this device out</Button>
        {!asked && <Button onClick={() => setAsked(true)}>Sign out everywhere …</Button>}
      </div>
      {asked && (
        <div role="alert" className="flex flex-wrap items-center gap-2">
          <p className="grow basis-72">
            Every device, including this one, has to enter the passphrase again. Unsent changes stay on each device
            until then.
          </p>
          <Button onClick={() => void leave(signOutEverywhere)}>Sign out everywhere</Button>
          <Button tone="quiet" onClick={() => setAsked(false)}>
            Cancel
          </Button>
        </div>
      )}
    </section>
  );
}
