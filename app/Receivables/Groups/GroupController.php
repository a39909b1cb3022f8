<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Groups;

use Elmstone\Customers\Customer;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Which head office an account belongs to. */
final class GroupController
{
    public function save(
        Request $request,
        Customer $customer,
        JoinGroup $join,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $typed = $request->string('head')->trim()->value();
        $head = $typed === '' ? null : $this->named($typed);
        $join->handle($customer, $head, $request->string('reason')->trim()->value(), $by);

        return redirect()->route('accounts.show', $customer)->with('done', $head === null
            ? 'The account stands on its own.'
            : "It is a branch of {$head->name} from now on.");
    }

    private function named(string $typed): Customer
    {
        return (ctype_digit($typed) && strlen($typed) < 10
            ? Customer::query()->where('number', (int) $typed)->whereNull('merged_into_id')->first()
            : null) ?? throw ValidationException::withMessages(['head' => "No customer has the number “{$typed}”."]);
    }
}
