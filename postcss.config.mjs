const config = { plugins: { 'postcss-preset-mantine': {}, 'postcss-simple-vars': {} } };
export default config;
