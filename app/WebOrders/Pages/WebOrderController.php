<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Pages;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\Staff;
use Elmstone\WebOrders\DecideWebOrder;
use Elmstone\WebOrders\Decisions;
use Elmstone\WebOrders\Despatches;
use Elmstone\WebOrders\ReceiveWebOrder;
use Elmstone\WebOrders\Sender;
use Elmstone\WebOrders\Ubl\ReadOrder;
use Elmstone\WebOrders\Ubl\WriteDespatch;
use Elmstone\WebOrders\Ubl\WriteResponse;
use Elmstone\WebOrders\WebOrder;
use Elmstone\WebOrders\WebOrderState;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;

/** Orders from the web: those to look at, and each one's page. */
final class WebOrderController
{
    private const PAGE = 40;

    public function __construct(private readonly House $house, private readonly DecideWebOrder $decide)
    {
    }

    public function index(Request $request): View
    {
        $state = WebOrderState::tryFrom($request->string('state')->value()) ?? WebOrderState::Look;

        return view('web-orders.index', [
            'webs' => WebOrder::query()
                ->with(['sender', 'order.customer'])
                ->where('state', $state)
                ->orderBy('id', $state === WebOrderState::Look ? 'asc' : 'desc')
                ->simplePaginate(self::PAGE)
                ->withQueryString(),
            'state' => $state,
            'senders' => Sender::query()->where('active', true)->orderBy('name')->get(),
        ]);
    }

    public function show(Request $request, WebOrder $web): View
    {
        $typed = $request->old();
        $web->load(['sender.location', 'sender.staff', 'order.customer', 'decider']);

        return view('web-orders.show', [
            'web' => $web,
            'matched' => $web->isToLookAt()
                ? $this->decide->matched($web, Decisions::fromTyped(is_array($typed) ? $typed : []))
                : null,
            'incoming' => ReadOrder::of($web->xml),
            'despatches' => Despatches::of($web),
            'house' => $this->house,
        ]);
    }

    /** A file that somebody has in hand. */
    public function upload(Request $request, ReceiveWebOrder $receive): RedirectResponse
    {
        $request->validate(
            ['sender' => ['required'], 'file' => ['required', 'file', 'max:4000']],
            ['sender.required' => 'Choose who sent it.', 'file.*' => 'Choose the file of the order, 4 MB at most.'],
        );
        $sender = Sender::query()->with(['location', 'staff'])->where('active', true)
            ->where('code', $request->string('sender')->value())->first()
            ?? throw Refused::because('not_found', 'Choose who sent it.');
        $file = $request->file('file');
        $web = $receive->handle($sender, $file instanceof UploadedFile ? (string) $file->get() : '', 'file');

        return redirect()
            ->route('web-orders.show', $web)
            ->with('done', $web->isToLookAt()
                ? 'It is read. Look at what does not agree.'
                : "It is {$this->words($web)}.");
    }

    public function take(
        WebOrderRequest $request,
        WebOrder $web,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $taken = $this->decide->take(
            $web->id, $request->integer('version'), $request->decisions(), $by, $check->given($request),
        );

        return redirect()->route('web-orders.show', $taken)->with('done', "It is {$this->words($taken)}.");
    }

    public function refuse(WebOrderRequest $request, WebOrder $web, #[CurrentUser] Staff $by): RedirectResponse
    {
        $this->decide->refuse(
            $web->id, $request->integer('version'), $request->string('why')->trim()->value(), $by,
        );

        return redirect()->route('web-orders')->with('done', "{$web->number} is refused; they are told why.");
    }

    public function xml(WebOrder $web): Response
    {
        return self::file($web->xml, "order-{$web->id}");
    }

    public function response(WebOrder $web, WriteResponse $response): Response
    {
        return self::file($response->of($web), "response-{$web->id}");
    }

    public function despatch(WebOrder $web, Document $document, WriteDespatch $despatch): Response
    {
        $found = Despatches::of($web)->find($document->id) ?? abort(404);

        return self::file($despatch->of($web, $found), "despatch-{$document->label}");
    }

    private function words(WebOrder $web): string
    {
        return $web->state === WebOrderState::Taken ? "order {$web->order?->label} now" : $web->state->words();
    }

    private static function file(string $xml, string $name): Response
    {
        return response($xml, 200, [
            'Content-Type' => 'application/xml',
            'Content-Disposition' => "attachment; filename=\"{$name}.xml\"",
        ]);
    }
}
