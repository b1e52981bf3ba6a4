import { Box, Grid, Text } from '@chakra-ui/react';
import type { LessonView } from '@coiled-strand/contract';
import { inSentence, PART_KINDS } from '@coiled-strand/core';
import {
  Chart,
  Legend,
  LinearScale,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
  type ChartOptions,
} from 'chart.js';
import { useMemo } from 'react';
import { Scatter } from 'react-chartjs-2';
import { useMadeCords } from '../../../../data/api/queries';
import { useUnits } from '../../../../ui/settings/use-units';
import { useColourMode } from '../../../../ui/theme/colour-mode';

Chart.register(ScatterController, LinearScale, PointElement, LineElement, Tooltip, Legend);

/** Axes end on whole steps of this, in cm. */
const STEP_CM = 50;

Chart.defaults.font.family = "'Rosario Variable', sans-serif";

interface Point {
  readonly x: number;
  readonly y: number;
  readonly label: string;
}

/** Signs tell techniques apart where colours do not. */
const SIGNS = ['circle', 'rectRot', 'triangle', 'rect', 'star', 'cross'] as const;
const COLOURS = {
  light: ['#23569f', '#8a5200', '#3f6b4f', '#7a3f6b', '#55635f', '#a23420'],
  dark: ['#93bbff', '#e7b059', '#9fd0ae', '#dba6cd', '#a3b0ab', '#f39783'],
} as const;

/** Cord that each strand was predicted to keep, beside what it kept, by what the piece is made of. */
export function PredictedActual({ lessons }: { readonly lessons: readonly LessonView[] }) {
  const { data: makes = [] } = useMadeCords();
  const units = useUnits();
  const mode = useColourMode();
  const sets = useMemo(() => {
    const learnt = new Set(lessons.map(({ technique }) => technique));
    return PART_KINDS.filter((kind) => learnt.has(kind.entry.id)).flatMap((kind) => {
      const points = makes
        .filter(({ techniques }) => techniques.includes(kind.entry.id))
        .flatMap(({ name, number, cords }) =>
          cords.map(({ predicted, actual, label }): Point => ({
            x: predicted / 10,
            y: actual / 10,
            label: `${name}, make ${number}, ${inSentence(label)}`,
          })),
        );
      return points.length > 0 ? [{ label: kind.entry.label, points }] : [];
    });
  }, [lessons, makes]);
  const all = sets.flatMap(({ points }) => points);
  if (all.length === 0) return null;
  const top =
    Math.ceil((Math.max(...all.flatMap(({ x, y }) => [x, y])) * 1.05) / STEP_CM) * STEP_CM;
  const [ink, line] = mode === 'dark' ? ['#a3b0ab', '#354142'] : ['#55635f', '#cdd5cf'];
  const axis = (title: string): object => ({
    min: 0,
    max: top,
    title: { display: true, text: title, color: ink, font: { size: 14 } },
    grid: { color: line },
    ticks: { color: ink, font: { size: 13 } },
  });
  const options: ChartOptions<'scatter'> = {
    maintainAspectRatio: false,
    animation: false,
    scales: {
      x: axis('Predicted cord in the piece, cm'),
      y: axis('What it took, cm'),
    },
    plugins: {
      legend: { labels: { color: ink, usePointStyle: true, font: { size: 14 } } },
      tooltip: {
        callbacks: {
          label: ({ raw }) => {
            const { x, y, label } = raw as Point;
            return `${label}: ${units.cord(y * 10)}, predicted ${units.cord(x * 10)}`;
          },
        },
      },
    },
  };
  const data = {
    datasets: [
      ...sets.map(({ label, points }, i) => ({
        label,
        data: points,
        pointStyle: SIGNS[i % SIGNS.length]!,
        pointRadius: 6,
        borderColor: COLOURS[mode][i % 6]!,
        backgroundColor: COLOURS[mode][i % 6]!,
      })),
      {
        label: 'as predicted',
        data: [
          { x: 0, y: 0 },
          { x: top, y: top },
        ],
        showLine: true,
        pointStyle: 'line' as const,
        pointRadius: 0,
        borderColor: ink,
        borderDash: [6, 5],
        borderWidth: 1.5,
      },
    ],
  };
  return (
    <Grid
      as="figure"
      m="0"
      gap={{ base: '4', lg: '10' }}
      templateColumns={{ base: '1fr', lg: 'minmax(0, 7fr) 4fr' }}
      alignItems="center"
    >
      <Box h={{ base: '300px', md: '380px' }} minW="0">
        <Scatter
          data={data}
          options={options}
          role="img"
          aria-label={`Predicted and actual cord of ${all.length} strands: ${all
            .map(({ x, y }) => `${x.toFixed(0)} and ${y.toFixed(0)} cm`)
            .join(', ')}`}
        />
      </Box>
      <Box as="figcaption" maxW="52ch">
        <Text>
          Every point is a cord of one of the last logged makes. Above the line it took more than
          was predicted when it was planned, below it less; the nearer the points lie to it, the
          less reserve a new cut list asks for.
        </Text>
        <Text mt="3" color="muted">
          Below: the pale band is what hands in general take, the dark one what yours is expected to
          take next time, the ticks what was measured.
        </Text>
      </Box>
    </Grid>
  );
}
