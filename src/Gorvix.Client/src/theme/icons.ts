import { h } from 'vue'
import type { IconAliases, IconSet } from 'vuetify'

/** The few signs that fields need, drawn as ink lines; buttons carry words. */
const paths: Record<string, string> = {
  dropdown: 'M7 10l5 5 5-5',
  clear: 'M7 7l10 10M17 7L7 17',
  radioOn: 'M12 4a8 8 0 100 16 8 8 0 000-16zM12 9a3 3 0 100 6 3 3 0 000-6z',
  radioOff: 'M12 4a8 8 0 100 16 8 8 0 000-16z',
  checkboxOn: 'M5 5h14v14H5zM8 12l3 3 5-6',
  checkboxOff: 'M5 5h14v14H5z',
  unfold: 'M8 10l4-4 4 4M8 14l4 4 4-4',
}

export const ink: IconSet = {
  component: (props) =>
    h(
      'svg',
      {
        viewBox: '0 0 24 24',
        width: '1em',
        height: '1em',
        fill: 'none',
        stroke: 'currentColor',
        'stroke-width': 1.75,
        'aria-hidden': 'true',
      },
      [h('path', { d: paths[String(props.icon)] ?? '' })],
    ),
}

/** Vuetify's names for the signs that are drawn here; no other is used. */
export const aliases = Object.fromEntries(
  Object.keys(paths).map((name) => [name, `ink:${name}`]),
) as unknown as IconAliases
