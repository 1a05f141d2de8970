import { Dialog, DialogPanel } from '@headlessui/react';
import { useQuery } from '@tanstack/react-query';
import { Command as Palette, defaultFilter } from 'cmdk';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { guide } from 'virtual:guide';
import { jobsQuery } from '../api/jobs.ts';
import { topics } from '../learn/topics.ts';
import { groups, useAllCommands } from '../ui/commands.ts';
import { Keys } from './keys.tsx';
import { screenControls } from './screen-controls.ts';

/** Every page, job, step, view and action, and every control of the open screen, found by a few letters. */
export function CommandPalette({ onClose }: { readonly onClose: () => void }) {
  const commands = useAllCommands();
  const { data: jobs = [] } = useQuery(jobsQuery);
  const navigate = useNavigate();
  const [search, setSearch] = useState('');
  const [controls] = useState(screenControls);
  const names = new Set(commands.filter(({ keysOnly }) => !keysOnly).map(({ text }) => text));
  const choose = (run: () => void) => (): void => {
    onClose();
    // Once the dialog has given the focus back.
    setTimeout(run);
  };
  const heading =
    '[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-[13px] [&_[cmdk-group-heading]]:text-soft';
  const item =
    'flex min-h-9 cursor-pointer items-center justify-between gap-3 rounded-md px-3 data-[selected=true]:bg-sunk pointer-coarse:min-h-11';
  return (
    <Dialog open onClose={onClose} className="relative z-50">
      <div aria-hidden className="fixed inset-0 bg-black/30" />
      <div className="fixed inset-x-0 top-[10vh] flex justify-center px-3">
        <DialogPanel
          aria-label="Commands"
          className="flex max-h-[70vh] w-full max-w-xl flex-col overflow-hidden rounded-xl border border-line bg-sheet text-ink shadow-2xl"
        >
          <Palette label="Commands" className="flex min-h-0 flex-col" filter={relevance} loop>
            <Palette.Input
              autoFocus
              value={search}
              onValueChange={setSearch}
              placeholder="Page, job, step, view or action"
              className="min-h-12 border-b border-line bg-transparent px-4 text-[17px] outline-none"
            />
            <Palette.List className="min-h-0 overflow-y-auto p-1.5">
              <Palette.Empty className="px-3 py-4 text-soft">No matches. Try fewer letters.</Palette.Empty>
              {groups.map((group) => {
                const members = commands.filter((command) => command.group === group && !command.keysOnly);
                if (members.length === 0) return null;
                return (
                  <Palette.Group key={group} heading={group} className={heading}>
                    {members.map(({ text, keys, run }) => (
                      <Palette.Item
                        key={text}
                        value={`${group} ${text}`}
                        onSelect={choose(() => run())}
                        className={item}
                      >
                        {text}
                        {keys && <Keys keys={keys} />}
                      </Palette.Item>
                    ))}
                  </Palette.Group>
                );
              })}
              <Palette.Group heading="Learn" className={heading}>
                {topics.map(({ id, title }) => (
                  <Palette.Item
                    key={id}
                    value={`Learn ${title}`}
                    onSelect={choose(() => void navigate(`/learn/${id}`))}
                    className={item}
                  >
                    {title}
                  </Palette.Item>
                ))}
              </Palette.Group>
              <HelpGroup
                classes={{ heading, item }}
                isSearched={search.trim() !== ''}
                onChoose={(to) => choose(() => void navigate(to))()}
              />
              <Palette.Group heading="Jobs" className={heading}>
                {jobs.map(({ id, title, record }) => (
                  <Palette.Item
                    key={id}
                    value={`Job ${title ?? 'Untitled'} ${record.asset ?? ''} ${record.order ?? ''} ${id}`}
                    onSelect={choose(() => void navigate(`/bench/${id}/setups`))}
                    className={item}
                  >
                    <span className="truncate">{title ?? 'Untitled'}</span>
                    <span className="shrink-0 text-[14px] text-soft">{record.asset}</span>
                  </Palette.Item>
                ))}
              </Palette.Group>
              {/* Not before something is typed: there are many. */}
              {search.trim() !== '' && (
                <Palette.Group heading="On this screen" className={heading}>
                  {controls
                    .filter(({ name }) => !names.has(name))
                    .map(({ name, element }) => (
                      <Palette.Item
                        key={name}
                        value={`On this screen ${name}`}
                        onSelect={choose(() => use(element))}
                        className={item}
                      >
                        {name}
                      </Palette.Item>
                    ))}
                </Palette.Group>
              )}
            </Palette.List>
          </Palette>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

interface HelpGroupProps {
  readonly classes: { readonly heading: string; readonly item: string };
  /** Whether something is typed; the topics of the pages are listed only then. */
  readonly isSearched: boolean;
  readonly onChoose: (to: string) => void;
}

/** Pages of the guide, and their topics. */
function HelpGroup({ classes: { heading, item }, isSearched, onChoose }: HelpGroupProps) {
  return (
    <Palette.Group heading="Help" className={heading}>
      {guide.map(({ id, title }) => (
        <Palette.Item key={id} value={`Help ${title}`} onSelect={() => onChoose(`/help/${id}`)} className={item}>
          {title}
        </Palette.Item>
      ))}
      {isSearched &&
        guide.flatMap(({ id, title, topics: places }) =>
          places.map(({ anchor, text }) => (
            <Palette.Item
              key={`${id} ${anchor}`}
              value={`Help ${title} ${text}`}
              onSelect={() => onChoose(`/help/${id}#${anchor}`)}
              className={item}
            >
              <span className="truncate">{text}</span>
              <span className="shrink-0 text-[14px] text-soft">{title}</span>
            </Palette.Item>
          )),
        )}
    </Palette.Group>
  );
}

/**
 * Returns the relevance of an entry, from 0 to 1. Commands are found by single letters. Topics of the guide, of which there are many,
 * are found by the beginnings of their words.
 */
function relevance(entry: string, search: string, keywords?: string[]): number {
  const found = defaultFilter(entry, search, keywords);
  if (!entry.startsWith('Help ')) return found;
  const words = entry.toLowerCase().split(/[^\p{L}\p{N}]+/u);
  const typed = search.toLowerCase().split(/\s+/).filter(Boolean);
  return typed.every((part) => words.some((word) => word.startsWith(part))) ? found / 2 : 0;
}

/** Presses a control, and leaves the focus on it. */
function use(control: HTMLElement | SVGElement): void {
  control.scrollIntoView({ block: 'nearest' });
  control.focus();
  control.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
}
