import { Box, Tab, Tabs } from '@mui/material';
import type { ComponentType } from 'react';
import { useSearchParams } from 'react-router';

interface View {
  /** In the address: `?view=cuts`. */
  id: string;
  label: string;
  View: ComponentType;
}

interface TabbedViewsProps {
  /** Names the parts in the page: `holds`. */
  name: string;
  /** Read out before the tabs: `What holds`. */
  label: string;
  views: readonly [View, ...View[]];
}

/** A screen in several views, one at a time; which one stands in the address. */
export function TabbedViews({ name, label, views }: TabbedViewsProps) {
  const [search, setSearch] = useSearchParams();
  const chosen = views.find((view) => view.id === search.get('view')) ?? views[0];
  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 3 }}>
      <Tabs
        className="no-print"
        value={chosen.id}
        onChange={(_, id: string) => setSearch({ view: id }, { replace: true })}
        variant="scrollable"
        scrollButtons={false}
        aria-label={label}
        sx={{ mb: 2, minHeight: 40, '& .MuiTab-root': { minHeight: 40, py: 0.5, px: 1.5 } }}
      >
        {views.map(({ id, label: words }) => (
          <Tab key={id} value={id} label={words} id={`${name}-${id}`} aria-controls={`${name}-view`} />
        ))}
      </Tabs>
      <Box role="tabpanel" id={`${name}-view`} aria-labelledby={`${name}-${chosen.id}`}>
        <chosen.View />
      </Box>
    </Box>
  );
}
