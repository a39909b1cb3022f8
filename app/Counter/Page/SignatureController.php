<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Closure;
use Elmstone\Counter\Settle\SignPayment;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The payer signs for what they pay. */
final readonly class SignatureController
{
    public function __construct(private CounterPage $page, private SignPayment $sign)
    {
    }

    public function here(Request $request, string $slip): Response
    {
        return $this->after($request, $slip, fn (Act $act): Slip => $this->sign->here(
            $slip,
            $act,
            $request->string('signature')->value(),
            $request->string('signed_by')->value(),
        ));
    }

    public function paper(Request $request, string $slip): Response
    {
        return $this->after($request, $slip, fn (Act $act): Slip => $this->sign->onPaper(
            $slip,
            $act,
            $request->string('signed_by')->value(),
        ));
    }

    /** The display that faces them asks for it, and this page waits. */
    public function ask(Request $request, string $slip): Response
    {
        $request->session()->put('signs_on_display', $slip);

        return $this->after($request, $slip, fn (Act $act): Slip => $this->sign->askDisplay($slip, $act));
    }

    public function look(Request $request, string $slip): JsonResponse
    {
        return response()->json(['signed' => $this->sign->onDisplay($slip, $this->page->act($request)) !== null]);
    }

    public function take(Request $request, string $slip): Response
    {
        $request->session()->forget('signs_on_display');

        return $this->after($request, $slip, fn (Act $act): Slip => $this->sign->fromDisplay(
            $slip,
            $act,
            $request->string('signed_by')->value(),
        ));
    }

    /** @param  Closure(Act): Slip  $do */
    private function after(Request $request, string $slip, Closure $do): Response
    {
        return $this->page->after($request, $slip, 'signature', 'signed_by', $do);
    }
}
