'use client';

import dynamic from 'next/dynamic';

/** {@link LaneChart}, loaded where a picture is shown: the drawing library is large. */
export const LazyLaneChart = dynamic(() => import('./LaneChart').then((m) => m.LaneChart), { ssr: false });
