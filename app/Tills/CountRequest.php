<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Devices\BatchReport;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** What was counted in a drawer. */
final class CountRequest extends FormRequest
{
    use ReadsCash;

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'seen' => ['required', 'integer', 'min:0', 'max:60000'],
            'ticked' => ['nullable', 'array', 'max:2000'],
            'ticked.*' => ['string', 'max:30'],
        ];
    }

    /**
     * @param  BatchReport|null  $report what the terminal reports; null: it does not, and what was typed holds
     *
     * @throws ValidationException
     */
    public function counted(?BatchReport $report): Counted
    {
        return new Counted(
            $this->cash(),
            array_values(array_filter($this->array('ticked'), is_string(...))),
            $this->sum('cheques'),
            $report?->total() ?? $this->sum('cards'),
            $report !== null,
        );
    }
}
