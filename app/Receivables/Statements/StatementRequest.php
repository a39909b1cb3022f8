<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Statements;

use Carbon\CarbonImmutable;
use Elmstone\Support\ShopTime;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What statements are wanted. */
final class StatementRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'as_of' => ['nullable', 'date_format:Y-m-d', 'after:1999-12-31', 'before:2100-01-01'],
            'from' => ['nullable', 'date_format:Y-m-d', 'before_or_equal:as_of'],
            'kind' => ['nullable', Rule::enum(StatementKind::class)],
            'older_than' => ['nullable', 'integer', 'min:0', 'max:3650'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'as_of.*' => 'That is not a day for a statement.',
            'from.*' => 'It is brought forward from a day before the statement’s.',
            'older_than.*' => 'Older than how many days? A whole number.',
        ];
    }

    public function options(): StatementOptions
    {
        return StatementOptions::of(
            $this->filled('as_of') ? CarbonImmutable::parse($this->string('as_of')->value()) : ShopTime::today(),
            StatementKind::tryFrom($this->string('kind')->value()),
            $this->integer('older_than'),
            $this->filled('from') ? CarbonImmutable::parse($this->string('from')->value()) : null,
        );
    }
}
