<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Closure;
use Elmstone\Staff\Doors\EasyPin;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Someone's entry on the staff page. */
final class StaffRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        $staff = $this->route('staff');
        $known = $staff instanceof Staff;

        return [
            'number' => [
                'required',
                'regex:/^\d{2,8}$/D',
                Rule::unique('staff', 'number')->ignore($known ? $staff->id : null),
            ],
            'name' => ['required', 'string', 'max:100'],
            'role' => ['required', Rule::enum(Role::class)],
            'active' => ['boolean'],
            'pin' => [$known ? 'nullable' : 'required', 'regex:/^\d{6,8}$/D', $this->notEasy(...)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'number.regex' => 'A staff number has 2 to 8 digits.',
            'number.unique' => 'Someone else has this staff number.',
            'name.required' => 'Who is it?',
            'pin.required' => 'Give them a PIN.',
            'pin.regex' => 'A new PIN has 6 to 8 digits.',
        ];
    }

    private function notEasy(string $field, mixed $pin, Closure $fail): void
    {
        is_string($pin)
            && EasyPin::is($pin, $this->string('number')->value())
            && $fail('That PIN is one of the first anybody would try. Take one without a pattern.');
    }

    /** @return array{number: string, name: string, role: string, active: bool} */
    public function fields(): array
    {
        return [
            'number' => $this->string('number')->value(),
            'name' => $this->string('name')->trim()->value(),
            'role' => $this->string('role')->value(),
            'active' => $this->boolean('active'),
        ];
    }

    public function pin(): ?string
    {
        return $this->filled('pin') ? $this->string('pin')->value() : null;
    }
}
