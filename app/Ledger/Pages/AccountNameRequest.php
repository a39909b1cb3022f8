<?php

declare(strict_types=1);

namespace Elmstone\Ledger\Pages;

use Elmstone\Books\AccountKind;
use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Number and name of an account as typed. */
final class AccountNameRequest extends FormRequest
{
    use SaysAtItsField;

    /** Where what is refused is said. */
    private const FIELDS = ['bad_account_number' => 'number', 'number_taken' => 'number', 'no_name' => 'name'];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'number' => ['nullable', 'string', 'max:20'],
            'name' => ['nullable', 'string', 'max:120'],
            'kind' => ['nullable', Rule::enum(AccountKind::class)],
            'version' => ['nullable', 'integer'],
        ];
    }

    public function number(): string
    {
        return strtoupper($this->string('number')->trim()->value());
    }

    /** What it is; where nothing was chosen, an expense. */
    public function kind(): AccountKind
    {
        return $this->enum('kind', AccountKind::class) ?? AccountKind::Expense;
    }

    public function name(): string
    {
        return $this->string('name')->trim()->value();
    }
}
