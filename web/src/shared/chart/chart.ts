/** ECharts with only what the charts use, coloured from the page's own tokens. */
import { BarChart, CustomChart, LineChart } from 'echarts/charts';
import {
  DataZoomComponent,
  GridComponent,
  LegendComponent,
  MarkAreaComponent,
  MarkLineComponent,
  MarkPointComponent,
  TooltipComponent,
} from 'echarts/components';
import { init, use as register, type EChartsCoreOption } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useEffect, useRef, type RefObject } from 'react';
import { FONT_TEXT } from '../../app/tokens.js';

register([
  BarChart,
  CustomChart,
  LineChart,
  GridComponent,
  LegendComponent,
  TooltipComponent,
  DataZoomComponent,
  MarkLineComponent,
  MarkAreaComponent,
  MarkPointComponent,
  CanvasRenderer,
]);

/** The page's colours as they are now. */
export function inks() {
  const style = getComputedStyle(document.documentElement);
  const read = (name: string) => style.getPropertyValue(name).trim();
  return {
    ink: read('--ink'),
    ink2: read('--ink-2'),
    hair: read('--hair'),
    amber: read('--amber-edge'),
    fill: read('--amber-fill'),
    sheet: read('--sheet'),
  };
}

/** Axes and text that the charts share. */
export function baseOption(): EChartsCoreOption {
  const { ink, sheet } = inks();
  return {
    animation: false,
    textStyle: { fontFamily: FONT_TEXT, color: ink, fontSize: 15 },
    grid: { left: 52, right: 16, top: 16, bottom: 40 },
    tooltip: {
      trigger: 'axis',
      backgroundColor: sheet,
      borderColor: ink,
      borderRadius: 0,
      textStyle: { color: ink, fontFamily: FONT_TEXT },
    },
  };
}

/** An axis in the colours of the ground. */
export function axis(more: Record<string, unknown>) {
  const { ink2, hair } = inks();
  return {
    axisLine: { lineStyle: { color: ink2 } },
    splitLine: { lineStyle: { color: hair } },
    ...more,
    // Last: what an axis says of its figures must not cost them their colour.
    axisLabel: { color: ink2, fontSize: 15, ...(more.axisLabel as object | undefined) },
  };
}

/** Drawn before it comes into view by so much, in the page's own scrolling and in that of a part of it. */
const AHEAD = { rootMargin: '300px', scrollMargin: '300px' };

/** A chart in a div that follows its size, its option and the mode of the page; drawn once it is nearly in view. */
export function useChart(make: () => EChartsCoreOption): RefObject<HTMLDivElement | null> {
  const ref = useRef<HTMLDivElement>(null);
  const shown = useRef(false);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    let end: (() => void) | null = null;
    const show = () => {
      shown.current = true;
      near.disconnect();
      end ??= drawn(element, make);
    };
    const near = new IntersectionObserver((seen) => seen.some((one) => one.isIntersecting) && show(), AHEAD);
    // With another option it is drawn again at once: it would go for a moment otherwise.
    if (shown.current) show();
    else near.observe(element);
    // On paper all of the page is in view.
    window.addEventListener('beforeprint', show);
    return () => {
      near.disconnect();
      window.removeEventListener('beforeprint', show);
      end?.();
    };
  }, [make]);
  return ref;
}

/** Draws and keeps drawing; what it gives ends that. */
function drawn(element: HTMLElement, make: () => EChartsCoreOption): () => void {
  const chart = init(element);
  const draw = () => chart.setOption(make(), true);
  draw();
  // It tells the size it begins with as well: drawing it a second time would tell nothing new.
  const size = new ResizeObserver(() => {
    if (element.clientWidth !== chart.getWidth() || element.clientHeight !== chart.getHeight()) chart.resize();
  });
  size.observe(element);
  const mode = new MutationObserver(draw);
  mode.observe(document.documentElement, { attributeFilter: ['data-mode'] });
  return () => {
    size.disconnect();
    mode.disconnect();
    chart.dispose();
  };
}
