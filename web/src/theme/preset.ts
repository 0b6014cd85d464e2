// The one preset that gives PrimeVue's components the look of paper, ink and bracken. No view restyles them.
import { definePreset } from '@primeuix/themes'
import base from '@primeuix/themes/aura/base'
import badge from '@primeuix/themes/aura/badge'
import button from '@primeuix/themes/aura/button'
import checkbox from '@primeuix/themes/aura/checkbox'
import css from '@primeuix/themes/aura/css'
import datatable from '@primeuix/themes/aura/datatable'
import dialog from '@primeuix/themes/aura/dialog'
import iconfield from '@primeuix/themes/aura/iconfield'
import inputnumber from '@primeuix/themes/aura/inputnumber'
import inputtext from '@primeuix/themes/aura/inputtext'
import menu from '@primeuix/themes/aura/menu'
import paginator from '@primeuix/themes/aura/paginator'
import progressbar from '@primeuix/themes/aura/progressbar'
import radiobutton from '@primeuix/themes/aura/radiobutton'
import ripple from '@primeuix/themes/aura/ripple'
import select from '@primeuix/themes/aura/select'
import textarea from '@primeuix/themes/aura/textarea'
import toggleswitch from '@primeuix/themes/aura/toggleswitch'
import virtualscroller from '@primeuix/themes/aura/virtualscroller'

const fern = {
  50: '#f1f7f1',
  100: '#dcebdc',
  200: '#b8d6bd',
  300: '#8fc79a',
  400: '#4f8f68',
  500: '#24603f',
  600: '#24603f',
  700: '#163f2a',
  800: '#123522',
  900: '#0e2a1b',
  950: '#0a1d13',
}

const paper = {
  0: '#fffdf8',
  50: '#fbf9f1',
  100: '#f5f3ea',
  200: '#ebe7da',
  300: '#d9d3c2',
  400: '#b3ad9c',
  500: '#858273',
  600: '#5b685f',
  700: '#45534a',
  800: '#2b3930',
  900: '#17231c',
  950: '#0f1713',
}

const RADIUS = '3px'

/** The components that we use, and those that they are made of: the others' looks need not be fetched and worked through. */
const plain = {
  ...base,
  // Its own types take the rules for a module.
  css: css as unknown as string,
  components: {
    badge,
    button,
    checkbox,
    datatable,
    dialog,
    iconfield,
    inputnumber,
    inputtext,
    menu,
    paginator,
    progressbar,
    radiobutton,
    ripple,
    select,
    textarea,
    toggleswitch,
    virtualscroller,
  },
}

export const fernbrakePreset = definePreset(plain, {
  primitive: {
    borderRadius: { none: '0', xs: RADIUS, sm: RADIUS, md: RADIUS, lg: RADIUS, xl: RADIUS },
  },
  semantic: {
    primary: fern,
    focusRing: { width: '2px', style: 'solid', color: '#17231c', offset: '2px', shadow: 'none' },
    formField: {
      paddingX: '0.65rem',
      paddingY: '0.45rem',
      borderRadius: RADIUS,
      focusRing: { width: '2px', style: 'solid', color: '#17231c', offset: '1px', shadow: 'none' },
    },
    colorScheme: {
      light: {
        surface: paper,
        primary: {
          color: fern[500],
          contrastColor: '#fffdf8',
          hoverColor: fern[700],
          activeColor: fern[800],
        },
        text: {
          color: '#17231c',
          hoverColor: '#17231c',
          mutedColor: '#45534a',
          hoverMutedColor: '#17231c',
        },
        formField: {
          background: '#ffffff',
          borderColor: '#858273',
          hoverBorderColor: '#45534a',
          focusBorderColor: '#17231c',
          color: '#17231c',
          placeholderColor: '#5b685f',
          shadow: 'none',
        },
      },
    },
  },
  components: {
    button: {
      root: {
        borderRadius: RADIUS,
        label: { fontWeight: '650' },
        paddingX: '0.9rem',
        paddingY: '0.5rem',
      },
      colorScheme: {
        light: {
          root: {
            secondary: {
              background: '#ebe7da',
              hoverBackground: '#d9d3c2',
              activeBackground: '#d9d3c2',
              borderColor: '#ebe7da',
              hoverBorderColor: '#d9d3c2',
              activeBorderColor: '#d9d3c2',
              color: '#17231c',
              hoverColor: '#17231c',
              activeColor: '#17231c',
            },
            danger: {
              background: '#a5461d',
              hoverBackground: '#8a3816',
              activeBackground: '#8a3816',
              borderColor: '#a5461d',
              hoverBorderColor: '#8a3816',
              activeBorderColor: '#8a3816',
              color: '#fffdf8',
              hoverColor: '#fffdf8',
              activeColor: '#fffdf8',
            },
          },
          text: {
            secondary: {
              color: '#45534a',
              hoverBackground: '#ebe7da',
              activeBackground: '#d9d3c2',
            },
            danger: { color: '#a5461d', hoverBackground: '#f7e3d6', activeBackground: '#f7e3d6' },
          },
          outlined: {
            secondary: {
              color: '#17231c',
              borderColor: '#858273',
              hoverBackground: '#ebe7da',
              activeBackground: '#d9d3c2',
            },
            danger: {
              color: '#a5461d',
              borderColor: '#a5461d',
              hoverBackground: '#f7e3d6',
              activeBackground: '#f7e3d6',
            },
          },
        },
      },
    },
    dialog: { root: { borderRadius: RADIUS, shadow: '0 12px 40px #17231c40' } },
    progressbar: { root: { height: '10px', borderRadius: RADIUS } },
  },
})
