<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Purpose;
use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** Cash that comes or goes besides sales. */
final class CashRequest extends FormRequest
{
    use ReadsCash;
    use SaysAtItsField;

    /** Where what is refused is said. */
    private const FIELDS = [
        'no_amount' => 'amount',
        'reason_missing' => 'reason',
        'no_account' => 'account',
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'what' => ['required', Rule::in(['change', ...array_column(Purpose::movingCash(), 'value')])],
            'account' => ['nullable', 'string', 'max:30'],
            'reason' => ['nullable', 'string', 'max:255'],
            'receipt' => ['nullable', 'file', 'max:4000'],
        ];
    }

    /** @throws ValidationException */
    public function moved(): CashMove
    {
        $file = $this->file('receipt');

        return new CashMove(
            Purpose::tryFrom($this->string('what')->value()),
            $this->sum('amount'),
            $this->string('account')->value(),
            $this->string('reason')->trim()->value(),
            $file instanceof UploadedFile
                ? $this->checked('receipt', static fn (): PettyReceipt => PettyReceipt::from($file))
                : null,
        );
    }
}
