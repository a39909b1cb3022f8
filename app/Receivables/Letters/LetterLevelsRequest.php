<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Letters;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Receivables\ReminderLadder;
use Elmstone\Shop\House;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Validator;

/** The levels of reminder letters as typed; a level without days is none. */
final class LetterLevelsRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'after' => ['array', 'max:'.LetterLevels::MOST],
            'after.*' => ['nullable', 'integer', 'min:1', 'max:365'],
            'fee.*' => ['nullable', 'string', 'max:20'],
            'words.*' => ['nullable', 'string', 'max:1000', 'required_with:after.*'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'after.*' => 'Days are a whole number from 1 to 365.',
            'words.*.required_with' => 'Write what the letter says.',
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                if ($validator->errors()->isNotEmpty()) {
                    return;
                }

                foreach ($this->rows() as $i => $row) {
                    try {
                        $this->fee($row['fee']);
                    } catch (Refused $refused) {
                        $validator->errors()->add("fee.{$i}", $refused->getMessage());
                    }
                }

                try {
                    ReminderLadder::of(array_column(array_values($this->rows()), 'after'));
                } catch (Refused $refused) {
                    $validator->errors()->add('after', $refused->getMessage());
                }
            },
        ];
    }

    /** @return list<array{after: int, fee: string, words: string}> */
    public function levels(): array
    {
        return array_map(fn (array $row): array => [
            'after' => $row['after'], 'fee' => $this->fee($row['fee'])->toString(), 'words' => trim($row['words']),
        ], array_values($this->rows()));
    }

    /** @return array<int, array{after: int, fee: string, words: string}> as typed */
    private function rows(): array
    {
        $rows = [];

        for ($i = 0; $i < LetterLevels::MOST; $i++) {
            $text = fn (string $field): string => $this->string("{$field}.{$i}")->trim()->value();
            $text('after') === '' || ($rows[$i] = [
                'after' => (int) $text('after'), 'fee' => $text('fee'), 'words' => $text('words'),
            ]);
        }

        return $rows;
    }

    private function fee(string $typed): Money
    {
        $house = app(House::class);

        return $typed === ''
            ? $house->money(0)
            : $house->fitting(Money::of(TypedNumber::plain($typed), $house->currency()));
    }
}
