import type { CrewMember, Plan, Task } from '@early-lantern/contract';
import { Box, ButtonBase, Tooltip } from '@mui/material';
import { DateTime } from 'luxon';
import { Fragment } from 'react';
import { Lantern } from '../parts/Lantern.tsx';
import { skyGradient, skyInk } from '../parts/SkyBand.tsx';
import { beforeDoors, clockTime } from '../parts/time.ts';
import { placeOf, type Stretch, stretchesOf } from './stretches.ts';

interface LanesProps {
  plan: Plan;
  crew: readonly CrewMember[];
  chosenId: string | undefined;
  onChoose: (id: string) => void;
}

const LANE = 42;
const SKY = 38;
const NAME = 84;

const fill: Record<Task['place'], string> = {
  workshop: 'var(--mui-palette-background-default)',
  road: 'color-mix(in srgb, #1f6f73 30%, var(--mui-palette-background-paper))',
  site: 'var(--mui-palette-background-paper)',
};

/** The hours in which something happens, as light above and one lane a person below; doors hang from the top. */
export function Lanes({ plan, crew, chosenId, onChoose }: LanesProps) {
  const doors = Date.parse(plan.onTime.doors);
  const spans = plan.tasks.map((task) => [Date.parse(task.start), Date.parse(task.end)] as const);
  const stretches = stretchesOf([...spans, [doors - 60_000, doors + 60_000]]);
  const percent = (at: number) => `${placeOf(stretches, at) * 100}%`;
  const zone = plan.timeZone;
  return (
    <Box sx={{ minWidth: 720 }}>
      <Box sx={{ position: 'relative', ml: `${NAME}px`, pt: '26px' }}>
        {stretches.map((stretch) => (
          <Sky key={stretch.from} stretch={stretch} zone={zone} />
        ))}
        <Box sx={{ height: SKY }} />
        <Box
          sx={{
            position: 'absolute',
            top: 0,
            left: percent(doors),
            height: 26 + SKY + crew.length * LANE + 6,
            borderLeft: '2px solid',
            borderColor: 'text.primary',
            zIndex: 2,
            pointerEvents: 'none',
          }}
        >
          <Box sx={{ position: 'absolute', top: 12, left: -11 }}>
            <Lantern state={plan.lamps.onTime.state} size={29} />
          </Box>
          <Box
            component="span"
            sx={{
              position: 'absolute',
              top: -2,
              right: 8,
              whiteSpace: 'nowrap',
              fontSize: 14,
              fontWeight: 700,
            }}
          >
            doors {clockTime(plan.onTime.doors, zone)}
          </Box>
        </Box>
      </Box>
      {crew.map((member) => (
        <Box
          key={member.id}
          sx={{
            display: 'grid',
            gridTemplateColumns: `${NAME}px 1fr`,
            height: LANE,
            alignItems: 'center',
            borderBottom: 1,
            borderColor: 'divider',
          }}
        >
          <Box
            component="span"
            sx={{
              fontWeight: 650,
              fontSize: 14,
              pr: 1,
              overflow: 'hidden',
              textOverflow: 'ellipsis',
              whiteSpace: 'nowrap',
            }}
            title={member.name}
          >
            {member.name.split(' ')[0]}
          </Box>
          <Box sx={{ position: 'relative', height: '100%' }}>
            {plan.tasks.map((task, i) =>
              task.crew.includes(member.id) ? (
                <Bar
                  key={task.id}
                  task={task}
                  number={i + 1}
                  plan={plan}
                  stretches={stretches}
                  isChosen={task.id === chosenId}
                  onChoose={onChoose}
                />
              ) : null,
            )}
          </Box>
        </Box>
      ))}
      <Box
        sx={{
          display: 'flex',
          gap: 2,
          mt: 1,
          ml: `${NAME}px`,
          fontSize: 13,
          color: 'text.secondary',
          alignItems: 'center',
        }}
      >
        {(['workshop', 'road', 'site'] as const).map((place) => (
          <Fragment key={place}>
            <Box
              component="span"
              sx={{
                width: 18,
                height: 12,
                border: 1.5,
                borderColor: 'text.primary',
                bgcolor: fill[place],
                borderRadius: 0.5,
                borderStyle: place === 'workshop' ? 'dashed' : 'solid',
              }}
            />
            <span>{place === 'site' ? 'on site' : place === 'road' ? 'on the road' : 'in the workshop'}</span>
          </Fragment>
        ))}
        <span>Numbers are those of the list below.</span>
      </Box>
    </Box>
  );
}

function Sky({ stretch, zone }: { stretch: Stretch; zone: string }) {
  const { from, to } = stretch;
  const share = (at: number) => (at - from) / (to - from);
  const hours: DateTime[] = [];
  let at = DateTime.fromMillis(from, { zone }).startOf('hour');
  while (at.toMillis() < to) {
    // An hour's number needs room on both sides.
    if (share(at.toMillis()) > 0.02 && share(at.toMillis()) < 0.985) hours.push(at);
    at = at.plus({ hours: 1 });
  }
  const start = DateTime.fromMillis(from, { zone });
  return (
    <Box
      aria-hidden="true"
      sx={{
        position: 'absolute',
        top: 26,
        height: SKY,
        left: `${stretch.left * 100}%`,
        width: `${stretch.width * 100}%`,
        borderRadius: 1,
        background: skyGradient(from, to, zone),
        overflow: 'hidden',
      }}
    >
      <Box
        component="span"
        sx={{
          position: 'absolute',
          top: 2,
          left: 6,
          fontSize: 12,
          fontWeight: 650,
          color: skyInk(start.hour),
          whiteSpace: 'nowrap',
        }}
      >
        {start.toFormat('ccc d LLL', { locale: 'en' })}
      </Box>
      {hours.map((hour) => (
        <Box
          key={hour.toMillis()}
          component="span"
          sx={{
            position: 'absolute',
            bottom: 1,
            left: `${share(hour.toMillis()) * 100}%`,
            transform: 'translateX(-50%)',
            fontSize: 12,
            color: skyInk(hour.hour),
          }}
        >
          {hour.toFormat('HH')}
        </Box>
      ))}
    </Box>
  );
}

interface BarProps {
  task: Task;
  number: number;
  plan: Plan;
  stretches: readonly Stretch[];
  isChosen: boolean;
  onChoose: (id: string) => void;
}

function Bar({ task, number, plan, stretches, isChosen, onChoose }: BarProps) {
  const left = placeOf(stretches, Date.parse(task.start));
  const right = placeOf(stretches, Date.parse(task.end));
  const when = `${clockTime(task.start, plan.timeZone)}–${clockTime(task.end, plan.timeZone)}, ${beforeDoors(task.start, plan.onTime.doors)}`;
  return (
    <Tooltip title={`${number}. ${task.label} · ${when}`}>
      <ButtonBase
        onClick={() => onChoose(task.id)}
        aria-label={`${number}. ${task.label}, ${when}`}
        sx={{
          position: 'absolute',
          top: 6,
          height: LANE - 12,
          left: `calc(${left * 100}% + 1px)`,
          width: `calc(${(right - left) * 100}% - 2px)`,
          minWidth: 5,
          bgcolor: fill[task.place],
          border: '1.5px solid',
          borderStyle: task.place === 'workshop' ? 'dashed' : 'solid',
          borderColor: 'text.primary',
          borderRadius: 1,
          outline: isChosen ? '3px solid #2f7f86' : undefined,
          fontSize: 12,
          fontWeight: 650,
          overflow: 'hidden',
          // The number shows only where it has room; the tooltip and the list have it all.
          containerType: 'inline-size',
          '& span': { display: 'none' },
          '@container (min-width: 15px)': { '& span': { display: 'inline' } },
        }}
      >
        <span>{number}</span>
      </ButtonBase>
    </Tooltip>
  );
}
