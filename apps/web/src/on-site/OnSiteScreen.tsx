import type { CrewMember } from '@early-lantern/contract';
import { Box, Tab, Tabs, Typography } from '@mui/material';
import { useState } from 'react';
import { useMay } from '../people/me.ts';
import { BigButton } from './BigButton.tsx';
import { Everybody } from './Everybody.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { MoreView } from './MoreView.tsx';
import { MyTurn } from './MyTurn.tsx';
import { ReplanView } from './ReplanView.tsx';
import { readyWords } from './ready-words.ts';
import { SiteBanner } from './SiteBanner.tsx';
import { INK, ON_INK, SiteHeader } from './SiteHeader.tsx';
import { useStayAwake } from './stay-awake.ts';
import { useDay } from './use-day.ts';
import { useSiteLog } from './use-log.ts';
import { usePictures } from './use-pictures.ts';
import { useSitePhotos } from './use-site-photos.ts';
import { crewOf, useWho } from './use-who.ts';
import { WindNotice } from './WindNotice.tsx';
import { WithTakenJob } from './WithTakenJob.tsx';

/** A job as the crew works on it, by what is on this phone: with or without a signal. */
export const OnSiteScreen = () => (
  <WithTakenJob>{(taken) => <OnSite key={taken.file.job.id} original={taken} />}</WithTakenJob>
);

const views = [
  { id: 'mine', label: 'Mine', View: MyTurn },
  { id: 'all', label: 'Everybody', View: Everybody },
  { id: 'more', label: 'More', View: MoreView },
] as const;

function OnSite({ original }: { original: TakenJob }) {
  const { file, plan, readAt } = original;
  const crew = crewOf(file);
  const { who, choose } = useWho(crew);
  const log = useSiteLog(file.job.id);
  const photos = useSitePhotos(file.job.id);
  // Drawn while there is a signal, whoever wants to see them later.
  usePictures(original);
  const [view, setView] = useState<(typeof views)[number]['id']>('mine');
  const [isReplanning, setReplanning] = useState(false);
  const day = useDay(original, log);
  const { taken, projection } = day;
  const mayDecide = useMay('plan');
  useStayAwake();
  const turnTo = (replanning: boolean) => {
    setReplanning(replanning);
    window.scrollTo(0, 0);
  };
  const { View } = views.find(({ id }) => id === view) ?? views[0];
  return (
    <Box sx={{ minHeight: '100vh', display: 'flex', flexDirection: 'column' }}>
      <SiteHeader
        name={file.job.name}
        plan={plan}
        ready={readyWords(projection, plan.timeZone)}
        who={who}
        log={log}
        photosWaiting={photos.waiting.filter(({ refused }) => !refused).length}
        onOtherPerson={() => choose(null)}
      />
      {who && (
        <Tabs
          value={view}
          onChange={(_, chosen) => {
            setView(chosen);
            setReplanning(false);
          }}
          variant="fullWidth"
          aria-label="Views"
          sx={{
            bgcolor: INK,
            '& .MuiTab-root': { color: ON_INK, fontSize: '1.0625rem', minHeight: 52, textTransform: 'none' },
            '& .Mui-selected': { color: `${ON_INK} !important`, fontWeight: 700 },
            '& .MuiTabs-indicator': { bgcolor: ON_INK, height: 4 },
          }}
        >
          {views.map(({ id, label }) => (
            <Tab key={id} value={id} label={label} />
          ))}
        </Tabs>
      )}
      <SiteBanner readAt={readAt} log={log} />
      <Box sx={{ px: 1.5, pt: 1.5, '&:empty': { display: 'none' } }}>
        <WindNotice taken={taken} happened={log.happened} />
      </Box>
      <Box component="main" sx={{ p: 2, pb: 10, width: '100%', maxWidth: 640, mx: 'auto', flexGrow: 1 }}>
        {!who && <WhoAreYou crew={crew} onChoose={choose} />}
        {who && isReplanning && <ReplanView who={who} day={day} log={log} onBack={() => turnTo(false)} />}
        {who && !isReplanning && (
          <View who={who} taken={taken} log={log} onReplan={mayDecide ? () => turnTo(true) : undefined} />
        )}
      </Box>
    </Box>
  );
}

function WhoAreYou({ crew, onChoose }: { crew: readonly CrewMember[]; onChoose: (id: string) => void }) {
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Typography variant="h1">Who are you?</Typography>
      {crew.map(({ id, name }) => (
        <BigButton key={id} onClick={() => onChoose(id)}>
          {name}
        </BigButton>
      ))}
    </Box>
  );
}
