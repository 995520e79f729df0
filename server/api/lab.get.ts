export default defineEventHandler(() => requireLab(useDatabase()))
