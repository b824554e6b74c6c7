import { ESLint, Linter } from 'eslint';
import tseslint from 'typescript-eslint';

/** Runs the one rule about imports as it is set for each file; prints the messages, case by case. */
const eslint = new ESLint();
const linter = new Linter({ configType: 'flat' });
const answers = [];
for (const { file, code } of JSON.parse(process.argv[2])) {
  const { rules } = await eslint.calculateConfigForFile(file);
  const config = {
    files: ['**/*.ts'],
    languageOptions: { parser: tseslint.parser },
    rules: { 'no-restricted-imports': rules['no-restricted-imports'] },
  };
  answers.push(linter.verify(code, [config], { filename: file }).map(({ message }) => message));
}
console.log(JSON.stringify(answers));
