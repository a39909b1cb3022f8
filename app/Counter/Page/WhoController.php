<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\PayInvoice;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\ChangeParty;
use Elmstone\Counter\Slip\GiveType;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Customers\Customer;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Customers\SaveCustomer;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The Who band: whom the slip is for. */
final class WhoController
{
    public function __construct(private readonly CounterPage $page)
    {
    }

    /** What is paid towards the account meets this invoice of theirs first. */
    public function payInvoice(Request $request, string $slip, int $invoice, PayInvoice $pay): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'on_account',
            'on_account',
            static fn (Act $act): Slip => $pay->handle($slip, $act, $invoice),
        );
    }

    public function put(Request $request, string $slip, PutCustomer $put): Response
    {
        $id = $request->integer('customer');

        return $this->page->after(
            $request,
            $slip,
            'customer',
            'customer',
            static fn (Act $act): Slip => $put->handle(
                $slip,
                $act,
                $id === 0 ? null : Customer::query()->findOrFail($id),
            ),
        );
    }

    /** Makes a customer in the middle of a sale; only a name is needed. */
    public function make(
        NewCustomerRequest $request,
        string $slip,
        SaveCustomer $save,
        PutCustomer $put,
        GiveType $type,
    ): Response {
        return $this->page->after($request, $slip, 'new-customer', 'name', static function (Act $act) use (
            $request,
            $slip,
            $save,
            $put,
            $type,
        ): Slip {
            $act->till->training && throw Refused::because(
                'training',
                'This till is for training: nobody is put on file at it. Take somebody who is.',
            );
            $request->assertFine();
            $fields = $request->fields();
            $type->assertMayGive($fields['customer_type_id'], $fields['name'], $act);

            return $put->handle(
                $slip,
                $act,
                $save->handle(null, new CustomerDraft($fields, sureItIsNew: $request->boolean('sure')), $act->by),
            );
        });
    }

    public function party(Request $request, string $slip, ChangeParty $change): Response
    {
        $typed = [];

        foreach (['contact' => 12, 'purchase_order' => 40, 'job' => 60] as $name => $most) {
            if ($request->has($name)) {
                $typed[$name] = mb_substr($request->string($name)->value(), 0, $most);
            }
        }

        $field = array_key_first($typed) ?? throw Refused::because('nothing', 'Nothing was typed.');

        return $this->page->after(
            $request,
            $slip,
            $field,
            $field,
            static fn (Act $act): Slip => $change->handle($slip, $act, $typed),
        );
    }
}
