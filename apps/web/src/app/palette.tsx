import { Command } from 'cmdk';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { useNavigate } from 'react-router';
import type { BatchSummary, FormulaView, LotView } from '@idle-kettle/contract';
import { INGREDIENTS, isProduce } from '@idle-kettle/core';
import { useMakeAgain, useNewBatch } from '../batch/new-batch.js';
import { get, request } from '../data/api.js';
import { keys, queryClient } from '../data/queries.js';
import { jarName } from '../ui/jar-picture.js';
import { setTheme, useTheme } from '../ui/theme.js';
import { SCREENS } from './screens.js';
import { SEARCH_FIELD, writeOn } from './search-field.js';
import { TABLE_ROWS } from './table-rows.js';
import { typedConversion } from './typed-conversion.js';
import * as dates from '../ui/dates.js';

/** Of each kind of thing so many are listed. */
const LISTED = 6;

const has = (text: string, typed: string): boolean =>
  typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.toLowerCase().includes(word));

/** Batches, jars and formulas that are called as typed, from the whole household. */
function useFound(typed: string): {
  readonly batches: readonly BatchSummary[];
  readonly lots: readonly LotView[];
  readonly formulas: readonly FormulaView[];
} {
  const search = useDeferredValue(typed.trim());
  const asked = new URLSearchParams({ limit: String(LISTED), ...(search !== '' && { search }) });
  const batches = useQuery({
    queryKey: [...keys.batches, 'palette', search],
    queryFn: () => get<BatchSummary[]>(`/batches?${asked.toString()}`),
    placeholderData: (before) => before,
  });
  const lots = useQuery({
    queryKey: [...keys.shelf, 'palette', search],
    queryFn: () => get<LotView[]>(`/shelf?${asked.toString()}&left=yes`),
    placeholderData: (before) => before,
    enabled: search !== '',
  });
  const formulas = useQuery({
    queryKey: keys.formulas,
    queryFn: () => get<FormulaView[]>('/formulas'),
  });
  return {
    batches: batches.data ?? [],
    lots: search === '' ? [] : (lots.data ?? []),
    formulas: (formulas.data ?? [])
      .filter(({ document, archivedAt }) => archivedAt === null && has(document.title, search))
      .slice(0, search === '' ? 0 : LISTED),
  };
}

interface PaletteProps {
  readonly typed: string;
  readonly onType: (typed: string) => void;
  readonly onClose: () => void;
}

/** What is found for what is typed: screens, actions, batches, formulas, jars and fruit. */
export default function Palette({ typed, onType, onClose }: PaletteProps) {
  const navigate = useNavigate();
  const newBatch = useNewBatch();
  const theme = useTheme();
  const { batches, lots, formulas } = useFound(typed);
  const otherTheme = theme === 'day' ? 'night' : 'day';
  const act = (what: () => unknown) => (): void => {
    onClose();
    void what();
  };
  const go = (to: string) => act(() => navigate(to));
  const duplicate = useMakeAgain();
  const actions = [
    { name: 'New batch', run: () => newBatch() },
    { name: `Change to the ${otherTheme} theme`, run: () => setTheme(otherTheme) },
    { name: 'Add starter formulas', run: () => addStarters().then(() => navigate('/formulas')) },
  ].filter(({ name }) => has(name, typed));
  const screens = SCREENS.filter(({ name, also = '' }) => has(`${name} ${also}`, typed));
  const fruit =
    typed.trim() === ''
      ? []
      : INGREDIENTS.filter(
          (each) => isProduce(each) && each.name.some((name) => has(name, typed)),
        ).slice(0, LISTED);
  const converted = typedConversion(typed);
  const rows =
    typed.trim() === '' ? [] : TABLE_ROWS.filter(({ name }) => has(name, typed)).slice(0, LISTED);
  return (
    <Command label="Search" shouldFilter={false}>
      <Command.Input
        ref={writeOn}
        maxLength={SEARCH_FIELD.maxLength}
        placeholder={SEARCH_FIELD.placeholder}
        className={SEARCH_FIELD.className}
        value={typed}
        onValueChange={onType}
      />
      <Command.List className="max-h-[64dvh] overflow-y-auto p-2">
        <Command.Empty className="p-4 text-soft">Nothing is called “{typed}”.</Command.Empty>
        <Group heading="Converted">
          {converted
            ? [
                <Item
                  key="converted"
                  value="converted"
                  name={converted.answer}
                  note="more units"
                  onSelect={go(
                    `/tables/convert?${new URLSearchParams({ amount: converted.amount }).toString()}`,
                  )}
                />,
              ]
            : []}
        </Group>
        <Group heading="Actions">
          {actions.map(({ name, run }) => (
            <Item key={name} value={`action ${name}`} name={name} onSelect={act(run)} />
          ))}
        </Group>
        <Group heading="Screens">
          {(typed.trim() === '' ? screens.slice(0, LISTED) : screens).map(({ to, name }) => (
            <Item key={to} value={`screen ${to}`} name={name} onSelect={go(to)} />
          ))}
        </Group>
        <Group heading="Batches">
          {batches.map(({ id, title, phase, endedAt, startedAt }) => {
            const at = endedAt ?? startedAt;
            const place = phase === 'cold' ? 'balance' : 'boil';
            return (
              <Item
                key={id}
                value={`batch ${id}`}
                name={title === '' ? 'Unnamed batch' : title}
                note={at === null ? 'planned' : dates.day(at)}
                onSelect={go(phase === 'done' ? `/logbook/${id}` : `/batches/${id}/${place}`)}
              />
            );
          })}
        </Group>
        {typed.trim() !== '' && (
          <Group heading="Make again">
            {batches.slice(0, LISTED / 2).map(({ id, title }) => (
              <Item
                key={id}
                value={`again ${id}`}
                name={`Duplicate ${title}`}
                onSelect={act(() => duplicate(id))}
              />
            ))}
          </Group>
        )}
        <Group heading="Jars">
          {lots.map(({ id, title, count, size, place }) => (
            <Item
              key={id}
              value={`jar ${id}`}
              name={`${title}, ${count}`}
              note={[jarName(size, 2), place].filter((part) => part !== '').join(', ')}
              onSelect={go(`/shelf?lot=${id}`)}
            />
          ))}
        </Group>
        <Group heading="Formulas">
          {formulas.map(({ id, document }) => (
            <Item
              key={id}
              value={`formula ${id}`}
              name={document.title}
              onSelect={go(`/formulas/${id}`)}
            />
          ))}
        </Group>
        <Group heading="Fruit">
          {fruit.map(({ id, name }) => (
            <Item
              key={id}
              value={`fruit ${id}`}
              name={name[1]}
              note="formulas with it"
              onSelect={go(`/formulas?fruit=${id}`)}
            />
          ))}
        </Group>
        <Group heading="In the tables">
          {rows.map(({ to, name, table }) => (
            <Item key={to} value={`row ${to}`} name={name} note={table} onSelect={go(to)} />
          ))}
        </Group>
      </Command.List>
    </Command>
  );
}

async function addStarters(): Promise<void> {
  await request('POST', '/formulas/starters');
  await queryClient.invalidateQueries({ queryKey: keys.formulas });
}

function Group({
  heading,
  children,
}: {
  readonly heading: string;
  readonly children: readonly React.ReactNode[];
}) {
  if (children.length === 0) return null;
  return (
    <Command.Group
      heading={heading}
      className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-soft"
    >
      {children}
    </Command.Group>
  );
}

interface ItemProps {
  readonly value: string;
  readonly name: string;
  readonly note?: string;
  readonly onSelect: () => void;
}

const Item = ({ value, name, note, onSelect }: ItemProps) => (
  <Command.Item
    value={value}
    onSelect={onSelect}
    className="flex min-h-[44px] cursor-pointer items-center justify-between gap-3 rounded-[10px] px-2 data-[selected=true]:bg-base-300"
  >
    <span className="min-w-0 truncate">{name}</span>
    {note !== undefined && <span className="shrink-0 text-sm text-soft">{note}</span>}
  </Command.Item>
);
