<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

final class SignInRequest extends ChangePersonRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [...parent::rules(), 'till' => ['required', 'integer', 'exists:tills,id']];
    }
}
