<script setup lang="ts">
/** The face tracker on every performer: one that it fails on, by skin, beard, scarf or glasses, is seen. */
import { computed } from 'vue';
import { summaryOf } from '../../../../core/tracking/survey';
import { useSurveyStore } from '../../../stores/survey';

const survey = useSurveyStore();
/** More than this is marked: beyond, things visibly slide. */
const MOST_ANGLE = 5;
const rows = computed(() =>
  survey.performers.map(({ id, name, moments }) => {
    const angle = summaryOf(moments, 'faces', 'angle');
    const landmarks = summaryOf(moments, 'faces', 'landmarks');
    const blink = summaryOf(moments, 'faces', 'expression');
    return {
      id,
      name,
      found: `${angle.inSight - angle.lost} of ${angle.inSight}`,
      angle: angle.median === null ? 'none' : `${angle.median.toFixed(1)}°`,
      worst: angle.worst === null ? 'none' : `${angle.worst.toFixed(1)}°`,
      landmarks: landmarks.median === null ? 'none' : `${(1000 * landmarks.median).toFixed(1)} mm`,
      expression: blink.median === null ? 'none' : blink.median.toFixed(2),
      isWeak: angle.lost > 0 || (angle.worst ?? 0) > MOST_ANGLE,
    };
  }),
);
</script>

<template>
  <table v-if="rows.length > 0" aria-label="The tracker on every performer">
    <thead>
      <tr>
        <th scope="col">Performer</th>
        <th scope="col">found</th>
        <th scope="col">angle</th>
        <th scope="col">at worst</th>
        <th scope="col">landmarks</th>
        <th scope="col">expression</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.id" :class="{ weak: row.isWeak }" :data-performer="row.id">
        <th scope="row">{{ row.name }}</th>
        <td class="num">{{ row.found }}</td>
        <td class="num">{{ row.angle }}</td>
        <td class="num">{{ row.worst }}</td>
        <td class="num">{{ row.landmarks }}</td>
        <td class="num">{{ row.expression }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 12px;
}
th,
td {
  padding: 3px 6px;
  text-align: right;
  font-weight: 400;
}
th:first-child {
  text-align: left;
}
thead th {
  color: var(--faint);
}
tbody tr {
  border-top: 1px solid var(--line2);
}
.weak td {
  color: var(--madder);
}
</style>
