declare module '*.scss'
declare module '*.css'
