import { useQuery } from '@tanstack/react-query';
import { LockOpen, MonitorSmartphone } from 'lucide-react';
import { Link } from 'react-router';
import { devicesQuery } from '../api/devices.ts';

/** Link to the devices; it warns if others could read the connection. */
export function DevicesLink() {
  const { data } = useQuery(devicesQuery);
  const isPrivate = data?.isPrivate ?? true;
  const label = isPrivate ? 'Devices' : 'Devices: this connection is not encrypted';
  return (
    <Link
      to="/devices"
      aria-label={label}
      title={label}
      className="inline-flex h-9 min-w-9 items-center justify-center gap-1 rounded-lg px-1 hover:bg-white/15"
    >
      {isPrivate ? (
        <MonitorSmartphone aria-hidden size={18} />
      ) : (
        <>
          <LockOpen aria-hidden size={18} className="text-[#ffc46b]" />
          <span aria-hidden className="text-[13px] whitespace-nowrap text-[#ffc46b] max-lg:hidden">
            not private
          </span>
        </>
      )}
    </Link>
  );
}
