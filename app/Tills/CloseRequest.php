<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Refused;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** A drawer that is closed on a count. */
final class CloseRequest extends FormRequest
{
    use ReadsCash;

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'count' => ['required', 'integer', 'min:1', 'max:60000'],
            'note' => ['nullable', 'string', 'max:400'],
        ];
    }

    /**
     * Does it, and says what is refused of a field beside that.
     *
     * @template T
     *
     * @param  callable(): T  $close
     * @return T
     *
     * @throws ValidationException
     * @throws Refused
     */
    public function saidAtItsField(callable $close): mixed
    {
        try {
            return $close();
        } catch (Refused $refused) {
            $field = match ($refused->rule) {
                'left_in_too_large', 'bad_amount' => 'left_in',
                'note_missing' => 'note',
                default => throw $refused,
            };

            throw ValidationException::withMessages([$field => $refused->getMessage()]);
        }
    }
}
