import next from "eslint-config-next";
import tseslint from "typescript-eslint";

const config = [
  { ignores: [".next/**", "dist/**", "node_modules/**", ".seating/**", "next-env.d.ts", "test-results/**"] },
  ...next,
  ...tseslint.configs.recommendedTypeChecked.map((each) => ({ ...each, files: ["**/*.ts", "**/*.tsx"] })),
  {
    files: ["**/*.ts", "**/*.tsx"],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      "@typescript-eslint/consistent-type-imports": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      "@typescript-eslint/no-misused-promises": ["error", { checksVoidReturn: { attributes: false } }],
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: true }],
      "react-hooks/incompatible-library": "off",
      eqeqeq: "error",
    },
  },
];

export default config;
