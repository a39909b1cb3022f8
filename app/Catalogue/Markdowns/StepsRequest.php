<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Closure;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Pricing\MarkdownStep;
use Illuminate\Foundation\Http\FormRequest;

/** A department's steps as they were typed; a row without days is none. */
final class StepsRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'of' => ['required', 'integer', 'exists:departments,id'],
            'after' => ['array', 'max:'.Steps::MOST],
            'after.*' => ['nullable', 'required_with:percent.*', 'integer', 'between:1,3650'],
            'percent.*' => ['nullable', 'required_with:after.*', 'string', $this->percent(...)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'of.required' => 'Choose a department.',
            'after.*.integer' => 'Type whole days.',
            'after.*.between' => 'From 1 to 3,650 days.',
            'after.*.required_with' => 'After how many days?',
            'percent.*.required_with' => 'How much comes off?',
        ];
    }

    /** @return list<MarkdownStep> as typed */
    public function steps(): array
    {
        $steps = [];

        foreach ((array) $this->input('after', []) as $i => $after) {
            if (is_numeric($after)) {
                $percent = $this->input("percent.{$i}");
                $steps[] = new MarkdownStep((int) $after, self::read(is_string($percent) ? $percent : ''));
            }
        }

        return $steps;
    }

    /** @param  Closure(string): mixed  $fail */
    private function percent(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            self::read(is_string($value) ? $value : '')->value->isZero() && $fail('Type more than nothing.');
        } catch (Refused) {
            $fail('Type a percentage up to 100, such as 12.5.');
        }
    }

    private static function read(string $typed): Percentage
    {
        return Percentage::ofWhole(TypedNumber::plain(rtrim(trim($typed), ' %')));
    }
}
