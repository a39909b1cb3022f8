@use('Brick\Math\BigDecimal')
@use('Elmstone\Held\Ledger\Movement')
@use('Elmstone\Orders\OrderState')
@use('Elmstone\Orders\OrderWay')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', $order->label)
@section('main')
@php
    $isOpen = $order->isOpen();
    $formOpen = fn (string $form): bool => old('form') === $form;
    $ready = $order->ready($here->id);
    $now = $order->leavesNow($here->id);
    $waits = $order->progress->filter(fn ($line) => $line->item_id !== null
        && BigDecimal::of($line->missing)->minus($bought[$line->position] ?? 0)->isPositive());
@endphp
<div class="page">
    <div class="page-head"><h1>Order <span class="code">{{ $order->label }}</span></h1>
    <span class="{{ $order->isLate($day) ? 'brick' : 'soft' }}">{{ $order->isLate($day) ? 'late'
        : $order->state->value }}{{ $order->ended_why === '' ? '' : ": {$order->ended_why}" }}</span>
        <div class="end">
            @if($isOpen)<form method="post" action="{{ route('orders.collect', $order) }}">@csrf
                <button class="main-act narrow">{{ $ready === [] ? 'Take a payment' : 'Hand over at the counter' }}
                </button></form>@endif
            @if($isOpen && $ready !== [])<a class="quiet-act" href="{{ route('orders.pick', $order) }}">Pick it</a>
            @endif
        </div></div>
    @include('design.messages')
    <p><a href="{{ route('customers.show', $order->customer) }}"><b>{{ $order->customer->name }}</b></a>
        {{ $order->buyer === '' ? '' : "for {$order->buyer}" }} · {{ $order->source->words() }},
        {{ Show::date($order->made_on) }} by {{ $order->staff->name }}
        @if($order->wanted_on !== null) · wanted <b>{{ Show::date($order->wanted_on) }}
            {{ $order->wanted_when }}</b>@endif
        @if($order->purchase_order !== '') · their order {{ $order->purchase_order }}@endif
        @if($order->job !== '') · job {{ $order->job }}@endif
        · {{ $order->is_charged ? 'charged to the account' : 'paid when goods leave' }}
        @if($order->deliver_to !== '' && $order->isBrought()) · {{ $order->deliver_to }}@endif</p>
    @if($order->note !== '')<div class="note"><p>“{{ $order->note }}”</p></div>@endif
    <div class="split">
    <div>
        <form method="post" action="{{ route('orders.supply', $order) }}" autocomplete="off">@csrf
        <input type="hidden" name="form" value="supply"><input type="hidden" name="version"
            value="{{ $order->version }}"><input type="hidden" name="key" value="{{ $key }}">
        <table class="ruled">
            <thead><tr><th>Goods</th><th class="figure">Ordered</th><th class="figure">Supplied</th>
            <th class="figure">Set aside</th><th class="figure">Bought for it</th><th class="figure">Waits</th>
            <th class="figure">Net</th>@if($isOpen)<th class="figure">Leaves now</th>@endif</tr></thead>
            <tbody>
            @foreach($order->lines() as $i => $line)
                @php
                    $progress = $order->at($line->position);
                    $for = $bought[$line->position] ?? BigDecimal::zero();
                    $missing = BigDecimal::of($progress->missing)->minus($for)->stripTrailingZeros();
                    $mayLeave = $isOpen && ! $line->isFreight() && $progress->location_id === $here->id
                        && $progress->left()->isPositive();
                @endphp
                <tr><td>{{ $line->description }} <span class="code soft">{{ $line->isFee() ? '' : $line->code }}</span>
                    @if(! $line->isFee())<div class="small soft">{{ OrderWay::from($line->way)->words() }}{{
                        $progress->location_id === $order->location_id ? ''
                            : ', leaves at '.$places[$progress->location_id]->town }}{{ BigDecimal::of(
                                $progress->cancelled)->isPositive() ? ', '.Show::decimal($progress->cancelled)
                                    .' cancelled' : '' }}</div>@endif
                    @if($mayLeave && $line->item?->has_serials)<input class="form-control form-control-sm"
                        name="serials[{{ $line->position }}]" placeholder="serial numbers"
                            aria-label="Serial numbers of {{ $line->description }}"
                                value="{{ old("serials.{$line->position}",
                                    implode(', ', $now->serials[$line->position] ?? [])) }}">@endif</td>
                    <td class="figure">{{ Show::decimal($line->quantity) }}</td>
                    <td class="figure soft">{{ BigDecimal::of($progress->supplied)->isZero() ? ''
                        : Show::decimal($progress->supplied) }}</td>
                    <td class="figure {{ $progress->isAside()->isPositive() ? 'verdigris' : '' }}">{{
                        $progress->isAside()->isZero() ? '' : Show::decimal($progress->isAside()) }}</td>
                    <td class="figure">{{ $for->isZero() ? '' : Show::decimal($for) }}</td>
                    <td class="figure {{ $line->item_id !== null && $missing->isPositive() ? 'ochre fw-bold' : '' }}">{{
                        $line->item_id === null || ! $missing->isPositive() ? '' : Show::decimal($missing) }}</td>
                    <td class="figure">{{ $reckoned->lines[$i]->net }}</td>
                    @if($isOpen)<td class="figure">@if($mayLeave)<input class="form-control text-end w-5"
                        name="quantity[{{ $line->position }}]" inputmode="decimal"
                            aria-label="How many of {{ $line->description }} leave"
                                value="{{ old('form') === 'supply' ? old("quantity.{$line->position}")
                                    : (isset($now->quantities[$line->position])
                                        ? Show::decimal($now->quantities[$line->position])
                                        : '') }}">@endif</td>@endif</tr>
            @endforeach
            </tbody>
            <tfoot>
                @foreach($reckoned->tax as $tax)<tr><td colspan="6" class="figure soft">{{
                    $order->taxAsAgreed()->names[$tax->component->id] ?? $tax->component->id }}
                    {{ Show::price($tax->component->rate->value) }} %</td><td class="figure">{{ $tax->amount }}</td>
                    @if($isOpen)<td></td>@endif</tr>@endforeach
                <tr class="total"><td colspan="6" class="figure">Total {{ $house->currency()->code }}</td>
                <td class="figure">{{ $reckoned->total }}</td>@if($isOpen)<td></td>@endif</tr>
                @if($isOpen)<tr><td colspan="6" class="figure soft">Not supplied yet</td>
                <td class="figure">{{ $order->open_total }}</td><td></td></tr>
                <tr><td colspan="6" class="figure soft">Deposit held</td>
                <td class="figure">{{ Show::money($order->held()) }}</td><td></td></tr>@endif
            </tfoot>
        </table>
        @if($isOpen)
            @if($formOpen('supply'))@error('refused')<p class="complaint" role="alert">{{ $message }}</p>@enderror
            @endif
            <div class="d-flex gap-2 align-items-start flex-wrap mt-2">
                <button class="quiet-act">Supply{{ $order->is_charged ? ' and charge' : '' }}</button>
                @if($order->is_charged)<x-approval id="supply"
                    when="Beyond what the account allows: another person allows it."/>@endif
                @if($waits->isNotEmpty())<button class="quiet-act" formaction="{{ route('orders.allot', $order) }}"
                    >Set aside what is here</button>@endif
            </div>
        @endif
        </form>
        @can('buy-goods')
        @foreach($isOpen ? $order->lines() : [] as $line)@if($line->item_id === null && ! $line->isFee()
            && $order->at($line->position)->left()->isPositive())
            @if($loop->first || ! isset($special))<h2 class="mt-4">Without a number of ours: buy it</h2>@endif
            @php($special = true)
            @php($at = $line->position)
            <form method="post" action="{{ route('orders.buy', [$order, $at]) }}" autocomplete="off"
                class="d-flex flex-wrap gap-2 align-items-end mb-2">@csrf
                <input type="hidden" name="version" value="{{ $order->version }}">
                <span class="flex-fill">{{ $line->description }}</span>
                <div><label class="small soft d-block" for="supplier-{{ $at }}">of</label><select class="form-select
                    @error("supplier.{$at}") is-refused @enderror" id="supplier-{{ $at }}" name="supplier">
                    <option value="">choose a supplier</option>@foreach($suppliers as $one)<option
                        value="{{ $one->id }}" @selected((int) old('supplier') === $one->id)>{{ $one->name }}</option>
                    @endforeach</select>@include('design.complaint', ['field' => "supplier.{$at}"])</div>
                <div><label class="small soft d-block" for="their-{{ $at }}">their code</label><input
                    class="form-control w-8" id="their-{{ $at }}" name="their_code" maxlength="40"
                        value="{{ old('their_code') }}"></div>
                <div><label class="small soft d-block" for="cost-{{ $at }}">expected cost{{ $line->price_per > 1
                    ? " per {$line->price_per}" : ' each' }}</label><input class="form-control w-6 text-end
                    @error("cost.{$at}") is-refused @enderror" id="cost-{{ $at }}" name="expected_cost"
                        inputmode="decimal" value="{{ old('expected_cost', $line->cost === null ? ''
                            : Show::price($line->cost)) }}">
                    @include('design.complaint', ['field' => "cost.{$at}"])</div>
                <button class="quiet-act">Put it under To buy</button></form>@endif @endforeach
        @endcan
        @if($purchases !== [])
            <h2 class="mt-4">Bought for it</h2>
            <table class="ruled small">@foreach($purchases as $one)<tr>
                <td><a class="code" href="{{ route('purchases.show', $one->label) }}">{{ $one->label }}</a></td>
                <td>{{ $one->supplier }}</td><td>{{ Show::decimal($one->quantity) }} ×
                    {{ $order->line((int) $one->line)?->description }}</td>
                <td class="nowrap">{{ $one->state === 'sent' ? 'expected '.Show::date(
                    Carbon\CarbonImmutable::parse($one->expected_on)) : 'not sent yet' }}</td></tr>@endforeach</table>
        @endif
        @if($invoices->isNotEmpty())
            <h2 class="mt-4">Invoices</h2>
            <table class="ruled small">@foreach($invoices as $one)<tr>
                <td><a class="code" href="{{ route('documents.show', $one) }}">{{ $one->label }}</a></td>
                <td>{{ $one->title() }}</td><td class="nowrap">{{ Show::date($one->business_date) }}</td>
                <td class="figure">{{ $one->total }}</td></tr>@endforeach</table>
        @endif
        @if($order->entries->isNotEmpty())
            <h2 class="mt-4">Deposit</h2>
            <table class="ruled small">@foreach($order->entries as $entry)<tr>
                <td class="nowrap">{{ Show::date($entry->business_date) }}</td><td>{{ $entry->movement->words() }}</td>
                <td><a class="code" href="{{ route('documents.show',
                    $entry->document) }}">{{ $entry->document->label }}</a></td>
                <td class="figure">{{ $entry->amount }}</td></tr>@endforeach</table>
        @endif
        @if($order->changesMade->isNotEmpty())
            <h2 class="mt-4">On record</h2>
            <table class="ruled">@foreach($order->changesMade as $change)<tr>
                <td class="nowrap">{{ Show::on($change->made_at) }}</td>
                <td>{{ $change->what }}@if(! $change->total_before->equals($change->total_after)) <span
                    class="soft">total {{ $change->total_before }}, now {{ $change->total_after }}</span>@endif</td>
                <td class="small soft">{{ $change->staff->name }}</td></tr>@endforeach</table>
        @endif
    </div>
    <aside>
        <x-attached of="order" :id="$order->id"/>
        <form method="post" action="{{ route('orders.print', $order) }}" class="mb-3">@csrf
            <table class="ruled small">@foreach(['confirmation' => 'Confirmation', 'picking' => 'Picking list',
                'delivery-note' => 'Delivery note'] as $what => $name)<tr>
                <td><a href="{{ route("orders.{$what}", $order) }}">{{ $name }}</a></td><td class="text-end"><button
                    class="link-act" name="what" value="{{ $what }}" aria-label="Print the {{ strtolower($name)
                        }}">print</button></td></tr>@endforeach</table></form>
        @if($isOpen)
        <form method="post" action="{{ route('orders.shelve', $order) }}" class="d-flex gap-2 align-items-end mb-3">
            @csrf<div class="flex-fill"><label for="shelf" class="small soft">Its goods stand on</label><input
                class="form-control" id="shelf" name="shelf" maxlength="40" value="{{ $order->shelf }}"></div>
            <button class="quiet-act">Note</button><button class="quiet-act" name="label" value="1">Note and
                label</button>
        </form>
        <details class="fold" @if($formOpen('change')) open @endif><summary>Change the order</summary>
            <form method="post" action="{{ route('orders.change', $order) }}" autocomplete="off">@csrf
            <input type="hidden" name="form" value="change"><input type="hidden" name="version"
                value="{{ $order->version }}">
            <table class="ruled small">@foreach($order->lines()->reject(fn ($line) => $line->isFee()) as $line)<tr>
                <td>{{ $line->description }}</td><td class="figure"><input class="form-control text-end w-5"
                    name="quantity[{{ $line->position }}]" inputmode="decimal"
                        aria-label="{{ $line->description }} in all"
                            value="{{ $formOpen('change') ? old("quantity.{$line->position}")
                                : Show::decimal($order->at($line->position)->kept()) }}"></td></tr>@endforeach
                <tr><td><input class="form-control @error('add') is-refused @enderror" name="add"
                    placeholder="put with it: code or barcode" aria-label="Code of what is put with it"
                        value="{{ old('add') }}">@include('design.complaint', ['field' => 'add'])</td>
                <td class="figure"><input class="form-control text-end w-5" name="add_quantity" inputmode="decimal"
                    placeholder="1" aria-label="How many" value="{{ old('add_quantity') }}"></td></tr></table>
            <label class="small soft" for="change-way">What is still to come</label>
            <select class="form-select" id="change-way" name="way"><option value="">as it is:
                {{ $order->waysInWords() }}</option>@foreach(OrderWay::cases() as $one)<option
                    value="{{ $one->value }}" @selected(old('way') === $one->value)>{{ $one->words() }}</option>
                @endforeach</select>
            <div class="row g-2"><div class="col-7"><label class="small soft" for="wanted_on">Wanted on</label><input
                type="date" class="form-control @error('wanted_on') is-refused @enderror" id="wanted_on"
                    name="wanted_on" value="{{ old('wanted_on', $order->wanted_on?->format('Y-m-d')) }}">
                @include('design.complaint', ['field' => 'wanted_on'])</div>
            <div class="col-5"><label class="small soft" for="wanted_when">when</label><select class="form-select"
                id="wanted_when" name="wanted_when">@foreach(['' => 'any time', 'morning' => 'morning',
                    'afternoon' => 'afternoon'] as $value => $word)<option value="{{ $value }}"
                    @selected(old('wanted_when', $order->wanted_when) === $value)>{{ $word }}</option>@endforeach
                </select></div></div>
            <label class="small soft" for="deliver_to">Brought to</label><input class="form-control" id="deliver_to"
                name="deliver_to" maxlength="300" value="{{ old('deliver_to', $order->deliver_to) }}">
            @include('design.complaint', ['field' => 'deliver_to'])
            <label class="small soft" for="buyer">For whom of theirs</label><input class="form-control" id="buyer"
                name="buyer" maxlength="120" list="contacts" value="{{ old('buyer', $order->buyer) }}"><datalist
                id="contacts">@foreach($order->customer->contacts as $contact)<option
                    value="{{ $contact->name }}"></option>@endforeach</datalist>
            <label class="small soft" for="note">Note</label><input class="form-control" id="note" name="note"
                maxlength="255" value="{{ old('note', $order->note) }}">
            <label class="small soft" for="change-reason">Why, where something is taken off</label><input
                class="form-control @error('reason') is-refused @enderror" id="change-reason" name="reason"
                    maxlength="200" value="{{ $formOpen('change') ? old('reason') : '' }}">
            @if($formOpen('change'))@include('design.complaint', ['field' => 'reason'])@error('refused')
                <p class="complaint" role="alert">{{ $message }}</p>@enderror @endif
            <x-approval id="change" when="More than the account allows: another person allows it."/>
            <button class="quiet-act mt-2">Change</button></form></details>
        <details class="fold" @if($formOpen('cancel')) open @endif><summary>Cancel the rest</summary>
            <form method="post" action="{{ route('orders.cancel', $order) }}" autocomplete="off">@csrf
            <input type="hidden" name="form" value="cancel"><input type="hidden" name="version"
                value="{{ $order->version }}">
            <p class="small">What is set aside is free again{{ $purchases === [] ? ''
                : '; what is bought for it comes to stock' }}. What was paid beyond it becomes a deposit of the
                customer’s, which is paid back on their deposits page.</p>
            <label class="small soft" for="cancel-reason">Why</label><input
                class="form-control @error('reason') is-refused @enderror" id="cancel-reason" name="reason"
                    maxlength="200" value="{{ $formOpen('cancel') ? old('reason') : '' }}">
            @if($formOpen('cancel'))@include('design.complaint', ['field' => 'reason'])@error('refused')
                <p class="complaint" role="alert">{{ $message }}</p>@enderror @endif
            <label class="small"><input type="checkbox" class="form-check-input" name="waive" value="1"> the fee is let
                off</label>
            <x-approval id="cancel" when="Letting the fee off: another person allows it."/>
            <button class="quiet-act mt-2">Cancel the rest</button></form></details>
        @endif
        @if($order->signature !== null)<h2 class="mt-3">Signed</h2><svg class="signature" viewBox="0 0 360 90"
            role="img" aria-label="Signature of {{ $order->signed_by }}"><path d="{{ $order->signature }}"/></svg>
            <p class="small soft">by {{ $order->signed_by }}, {{ Show::on($order->signed_at) }}</p>@endif
    </aside>
    </div>
</div>
@endsection
