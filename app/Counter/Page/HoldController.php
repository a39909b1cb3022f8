<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Counter\Parts\HoldSlip;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\House;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The slip as a layaway: deposit, terms and signature. */
final class HoldController
{
    private const TERMS = [
        'count', 'rhythm', 'first_due', 'expires_on', 'grace_days', 'min_deposit', 'min_payment', 'cancellation_fee',
    ];

    public function __construct(
        private readonly CounterPage $page,
        private readonly HoldSlip $hold,
        private readonly House $house,
    ) {
    }

    public function begin(Request $request, string $slip): Response
    {
        return $this->page->after($request, $slip, 'hold', 'hold', function (Act $act) use ($request, $slip): Slip {
            $deposit = $this->house->typedMoney($request->string('hold')->value());

            return $deposit === null && ! $request->boolean('rest')
                ? $this->hold->drop($slip, $act)
                : $this->hold->begin($slip, $act, $deposit);
        });
    }

    public function drop(Request $request, string $slip): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'hold',
            'hold',
            fn (Act $act): Slip => $this->hold->drop($slip, $act),
        );
    }

    public function terms(Request $request, string $slip): Response
    {
        $typed = [];

        foreach (self::TERMS as $name) {
            if ($request->has($name)) {
                $typed[$name] = $request->string($name)->value();
            }
        }

        $field = 'hold.'.(array_key_first($typed) ?? 'terms');

        return $this->page->after(
            $request,
            $slip,
            $field,
            (string) array_key_first($typed),
            fn (Act $act): Slip => $this->hold->terms($slip, $act, $typed),
        );
    }

    public function sign(Request $request, string $slip): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'hold.signature',
            'signed_by',
            fn (Act $act): Slip => $this->hold->sign(
                $slip,
                $act,
                $request->string('signature')->value(),
                $request->string('signed_by')->value(),
            ),
        );
    }
}
