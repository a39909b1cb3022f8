<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Pages;

use Carbon\CarbonImmutable;
use Elmstone\WebOrders\Decisions;
use Illuminate\Foundation\Http\FormRequest;

/** What a person decides about an order from the web, as typed: a row for each of their lines, from 0. */
final class WebOrderRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer'],
            'rows' => ['nullable', 'array', 'max:1000'],
            'customer' => ['nullable', 'integer', 'between:1,999999999'],
            'freight' => ['nullable', 'in:ours,theirs'],
            'wanted_on' => ['nullable', 'date_format:Y-m-d'],
            'why' => ['nullable', 'string', 'max:255'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'customer.*' => 'Type the customer’s number.',
            'wanted_on.date_format' => 'Type the day as 2027-03-14.',
        ];
    }

    public function decisions(): Decisions
    {
        [$codes, $theirs, $without] = [[], [], []];

        foreach (array_keys($this->array('rows')) as $row) {
            $at = (int) $row;
            $code = $this->string("rows.{$row}.code")->trim()->value();
            $price = $this->string("rows.{$row}.price")->value();
            $code === '' || ($codes[$at] = mb_substr($code, 0, 40));
            in_array($price, ['ours', 'theirs'], true) && ($theirs[$at] = $price === 'theirs');
            $this->boolean("rows.{$row}.without") && ($without[$at] = true);
        }

        $day = $this->string('wanted_on')->value();
        $freight = $this->string('freight')->value();

        return new Decisions(
            $this->filled('customer') ? $this->integer('customer') : null,
            $codes,
            $theirs,
            $without,
            $freight === '' ? null : $freight === 'theirs',
            $this->boolean('without_allowance'),
            $this->boolean('any_sum'),
            $day === '' ? null : CarbonImmutable::parse($day, 'UTC'),
            $this->boolean('any_day'),
        );
    }
}
