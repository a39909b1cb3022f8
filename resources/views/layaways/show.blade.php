@use('Elmstone\Core\Money\Money')
@use('Elmstone\Core\Settlement\TenderKind')
@use('Elmstone\Support\LadderPicture')
@use('Elmstone\Support\Show')
@use('Elmstone\Held\Ledger\Movement')
@use('Elmstone\Layaways\LayawayState')
@use('Elmstone\Layaways\Pages\NextStep')
@use('Elmstone\MoneyOut\Plan')
@use('Elmstone\MoneyOut\Way')
@extends('layout')
@section('title', $layaway->label)
@section('main')
@php
    $isOpen = $layaway->state->isOpen();
    $word = $layaway->stateWord($day);
    $terms = $layaway->agreedTerms();
    $formOpen = fn (string $form): bool => old('form') === $form;
@endphp
<div class="page">
    <div class="page-head"><h1>Layaway <span class="code">{{ $layaway->label }}</span></h1>
    <span class="{{ in_array($word, ['behind', 'expired'], true) ? 'brick' : 'soft' }}">{{ $word }}</span>
        <div class="end">
            @if($isOpen && ! $layaway->isExpired($day))
            <form method="post" action="{{ route('layaways.pay', $layaway) }}">
            @csrf <button
                class="main-act narrow">{{ $layaway->state === LayawayState::Ready ? 'Collect at the counter'
                    : 'Take a payment' }}</button></form>@endif
            <form method="post" action="{{ route('layaways.print', $layaway) }}">
            @csrf <button class="quiet-act">Print agreement</button></form>
            <a class="quiet-act" href="{{ route('layaways.agreement-pdf', $layaway) }}">Agreement as PDF</a>
        </div></div>
    @if(old('form') === null)@include('design.messages')@elseif(session('done'))@include('design.messages')@endif
    @if($isOpen)<div class="note {{ in_array($word, ['behind', 'expired'], true) ? 'stop' : '' }}"><p>
    <strong>Next:</strong> {{ NextStep::for($layaway, $day, $house) }}.</p></div>@endif
    @if($taxMoved)<div class="note look">
    <p>The tax rates have changed since it was made. The agreement’s rates hold until it is completed.</p></div>@endif
    <div class="split">
        <div>
            <table class="ruled">
                <thead><tr><th class="figure">Qty</th><th>Goods</th><th class="figure">Each, agreed</th>
                <th class="figure">Net</th></tr></thead>
                <tbody>
                @foreach($layaway->lines() as $i => $line)
                    <tr><td class="figure">{{ Show::decimal($line->quantity) }}</td>
                        <td>{{ $line->description }} <span class="code soft">{{ $line->code }}</span>
                            @if($line->price_per > 1)
                            <div class="small soft">priced per {{ $line->price_per }}</div>@endif
                            @if($line->serials !== null)
                            <div class="small soft">serial no. {{ implode(', ', $line->serials) }}</div>
                            @elseif($isOpen && $line->item?->has_serials)
                            <div class="small ochre">no serial number yet; it is needed before the goods leave</div>
                            @endif
                            @if($isOpen && $line->item !== null && ! $line->item->active)
                            <div class="small soft">not on sale any more; the agreement holds</div>@endif
                            @if($isOpen && $line->item !== null
                                && Show::price($line->item->list_price) !== Show::price($line->list_price))
                                <div class="small soft">
                                list price was {{ Show::price($line->list_price) }}, is
                                    {{ Show::price($line->item->list_price) }}; the agreed price holds</div>@endif</td>
                        <td class="figure"><x-price :of="$line->unit_price"/></td>
                            <td class="figure">{{ $reckoned->lines[$i]->net }}</td></tr>
                @endforeach
                </tbody>
                <tfoot>
                    @foreach($reckoned->tax as $tax)<tr>
                    <td colspan="3"
                        class="figure soft">{{ $layaway->taxAsAgreed()->names[$tax->component->id]
                            ?? $tax->component->id }} {{ Show::price($tax->component->rate->value) }} %</td>
                            <td class="figure">{{ $tax->amount }}</td></tr>@endforeach
                    <tr class="total"><td colspan="3" class="figure">Total {{ $house->currency()->code }}</td>
                    <td class="figure">{{ $layaway->total }}</td></tr>
                    @if($isOpen)<tr><td colspan="3" class="figure soft">Paid</td>
                    <td class="figure">{{ $layaway->held() }}</td></tr>
                    <tr><td colspan="3" class="figure fw-bold">Left to pay</td>
                    <td class="figure fw-bold">{{ $layaway->remaining() }}</td></tr>@endif
                </tfoot>
            </table>
            <h2 class="mt-4">Money</h2>
            <table class="ruled">
                <thead><tr><th>Date</th><th>What</th><th>Way</th><th>Document</th><th class="figure">Amount</th></tr>
                </thead>
                @foreach($layaway->entries as $entry)
                    <tr><td class="nowrap">{{ Show::date($entry->business_date) }}</td>
                    <td>{{ $entry->movement->words() }}</td>
                    <td class="small">{{ $entry->movement === Movement::Used ? ''
                        : $entry->document->tenders->map(fn ($tender) => $tender->words())->unique()->implode(', ') }}
                        </td><td><a class="code"
                            href="{{ route('documents.show', $entry->document) }}">{{ $entry->document->label }}</a>
                            </td><td class="figure">{{ $entry->amount }}</td></tr>
                @endforeach
            </table>
            @if($layaway->changesMade->isNotEmpty())
                <h2 class="mt-4">On record</h2>
                <table class="ruled">
                    @foreach($layaway->changesMade as $change)<tr>
                    <td class="nowrap">{{ Show::on($change->made_at) }}</td>
                    <td>{{ $change->what }}@if(! $change->total_before->equals($change->total_after)) <span
                        class="soft">total {{ $change->total_before }}, now
                            {{ $change->total_after }}</span>@endif</td>
                            <td class="small soft">{{ $change->staff->name }}</td></tr>@endforeach
                </table>
            @endif
            @if($isOpen)
            @can('set-layaway-terms')
                <details class="fold mt-4" @if($formOpen('lines')) open @endif>
                <summary>Swap, drop or put with it</summary>
                    @if($formOpen('lines'))@error('refused')<p class="complaint" role="alert">{{ $message }}</p>
                    @enderror @endif
                    <form method="post" action="{{ route('layaways.lines', $layaway) }}">
                    @csrf<input type="hidden" name="form" value="lines"><input type="hidden" name="version"
                        value="{{ $layaway->version }}">
                        <table class="ruled">
                            <thead><tr><th>Drop</th><th class="figure">Qty</th><th>Goods</th><th>Serial numbers</th>
                            </tr></thead>
                            @foreach($layaway->lines() as $line)
                                <tr><td><input type="checkbox" class="form-check-input m-0"
                                    name="drop[{{ $line->position }}]" value="1"
                                        aria-label="Drop {{ $line->description }}"
                                            @checked(old("drop.{$line->position}"))></td>
                                    <td class="figure">
                                    <input class="form-control text-end w-5" name="quantity[{{ $line->position }}]"
                                        inputmode="decimal" aria-label="Quantity of {{ $line->description }}"
                                            value="{{ old("quantity.{$line->position}",
                                                Show::decimal($line->quantity)) }}"></td>
                                    <td>{{ $line->description }}</td>
                                    <td>@if($line->item?->has_serials)<input class="form-control"
                                        name="serials[{{ $line->position }}]"
                                            aria-label="Serial numbers of {{ $line->description }}"
                                                value="{{ old("serials.{$line->position}",
                                                    implode(', ', $line->serials ?? [])) }}">@endif</td></tr>
                            @endforeach
                            <tr><td class="small soft">Put with it</td><td class="figure">
                            <input class="form-control text-end w-5" name="add_quantity" inputmode="decimal"
                                aria-label="Quantity to put with it" placeholder="1" value="{{ old('add_quantity') }}">
                                </td><td colspan="2">
                                <input class="form-control" name="add"
                                    aria-label="Code or barcode of what is put with it" placeholder="code or barcode"
                                        autocomplete="off" value="{{ old('add') }}"></td></tr>
                        </table>
                        <p class="small soft">
                        The total and the payments that are left are worked anew. What was paid over a smaller total is
                            kept as a deposit.</p>
                        <button class="quiet-act">Work anew</button>
                    </form>
                </details>
            @endcan
            @can('sell')
                <details class="fold" @if($formOpen('extend')) open @endif><summary>Extend</summary>
                    @if($formOpen('extend'))@error('refused')<p class="complaint" role="alert">{{ $message }}</p>
                    @enderror @endif
                    <form class="filters" method="post" action="{{ route('layaways.extend', $layaway) }}">
                    @csrf<input type="hidden" name="form" value="extend"><input type="hidden" name="version"
                        value="{{ $layaway->version }}">
                        <div><label for="first_due">Next payment</label><input type="date" class="form-control"
                            id="first_due" name="first_due"
                                value="{{ old('first_due', $day->addDays(14)->format('Y-m-d')) }}"></div>
                        <div><label for="expires_on">Last day</label><input type="date" class="form-control"
                            id="expires_on" name="expires_on"
                                value="{{ old('expires_on',
                                    $layaway->expires_on->max($day)->addDays(30)->format('Y-m-d')) }}"></div>
                        @cannot('set-layaway-terms')<x-approval id="extend"
                            when="Somebody who may allow it:"/>@endcannot
                        <button class="quiet-act">Extend</button>@foreach(['first_due',
                            'expires_on'] as $field)@error($field)<p class="complaint w-100">{{ $message }}</p>
                            @enderror @endforeach
                    </form>
                </details>
                <details class="fold" @if($formOpen('cancel')) open @endif><summary>Cancel and pay back</summary>
                    @php $refund = $standing->refund; @endphp
                    @php
                        $proposed = Plan::proposed($refund, $ways);
                        $rest = $refund->minus(Money::sum($proposed, $house->currency()));
                        $rest->isPositive() && $proposed['deposit_held'] = $rest;
                        $by = fn (\Closure $test): array => array_filter($ways, $test, ARRAY_FILTER_USE_KEY);
                        $of = fn (TenderKind $kind): array => $by(
                            fn (string $way): bool => Way::read($way)?->kind === $kind,
                        );
                        $kinds = [
                            TenderKind::Card, TenderKind::Cash, TenderKind::Cheque, TenderKind::BankTransfer,
                            TenderKind::GiftCard,
                        ];
                        $cameAsMoney = $by(fn (string $way): bool => Way::read($way)?->isMoney() === true) !== [];
                    @endphp
                    @foreach($pending as $one)<div class="note look mb-2">
                    <p>{{ $one->atStake() }} {{ $one->state->isOpen()
                        ? 'may have gone back to a card already; the terminal is asked again first.'
                            : 'went back to a card already, and is part of what goes back.' }}</p></div>@endforeach
                    <form method="post" action="{{ route('layaways.cancel', $layaway) }}">
                    @csrf<input type="hidden" name="form" value="cancel"><input type="hidden" name="version"
                        value="{{ $layaway->version }}">
                        <table class="ruled narrow-table">
                            <tr><td>Paid</td><td class="figure">{{ $layaway->held() }}</td></tr>
                            <tr><td>Fee, {{ $terms->words('cancellation_fee') }}</td>
                            <td class="figure">−{{ $standing->fee }}</td></tr>
                            <tr class="total"><td>Goes back</td><td class="figure">{{ $refund }}</td></tr>
                            @foreach($kinds as $kind)
                                @php $came = Money::sum($of($kind), $house->currency()); @endphp
                                @if($came->isPositive()
                                    || ($cameAsMoney
                                        && ! in_array($kind, [TenderKind::Card, TenderKind::GiftCard], true)))<tr><td>
                                        <label for="back-{{ $kind->value }}">{{ match (true) {
                                            $kind === TenderKind::Card && count($of($kind)) > 1 => 'To the '
                                                .count($of($kind)).' cards, by the terminal, shared as they paid',
                                            $kind === TenderKind::Card => 'To the card, by the terminal',
                                            $kind === TenderKind::GiftCard => 'Onto the gift card that paid',
                                            default => 'By '.mb_strtolower($kind->label()),
                                        } }}, {{ $came->isPositive()
                                            ? 'at most '.Show::money(Money::min($came, $layaway->held()))
                                            : 'nothing came in so: needs approval' }}</label></td><td class="figure">
                                            <input class="form-control text-end w-6" id="back-{{ $kind->value }}"
                                                name="back[{{ $kind->value }}]" inputmode="decimal"
                                                    value="{{ old("back.{$kind->value}", isset($proposed[$kind->value])
                                                        ? $proposed[$kind->value]->toString() : '') }}">
                                                        </td></tr>@endif
                            @endforeach
                            <tr><td><label for="back-deposit">Kept as a deposit</label></td><td class="figure">
                            <input class="form-control text-end w-6" id="back-deposit" name="back[deposit_held]"
                                inputmode="decimal"
                                    value="{{ old('back.deposit_held', isset($proposed['deposit_held'])
                                        ? $proposed['deposit_held']->toString() : '') }}"></td></tr>
                        </table>
                        <div class="filters"><div class="flex-fill">
                        <label for="reason">Why</label><input
                            class="form-control @error('reason') is-refused @enderror" id="reason" name="reason"
                                maxlength="200" value="{{ old('reason') }}"></div><div>
                                <label for="reference">Cheque number or reference</label><input class="form-control"
                                    id="reference" name="reference" maxlength="60" value="{{ old('reference') }}"></div>
                                    </div>
                        @error('reason')<p class="complaint" role="alert">{{ $message }}</p>@enderror
                        @unless($standing->fee->isZero())<div class="filters">
                        <label class="d-flex gap-2 align-items-center"><input type="checkbox"
                            class="form-check-input m-0" name="waive" value="1"
                                @checked(old('waive'))> let the fee off</label></div>@endunless
                        <x-approval
                            :when="Gate::allows('end-layaways')
                                ? 'Where it is more than you may, another person allows it:'
                                : 'Somebody who may allow it:'"/>
                        @if($formOpen('cancel'))@error('refused')<p class="complaint" role="alert">{{ $message }}</p>
                        @enderror @endif
                        <button class="danger-act">Cancel the layaway</button>
                    </form>
                </details>
            @endcan
            @endif
        </div>
        <aside>
            <dl class="facts mb-3">
                <dt>Customer</dt><dd>
                <a href="{{ route('customers.show', $layaway->customer) }}">{{ $layaway->customer->name }}</a></dd>
                @if($layaway->customer->phone !== '')<dt>Phone</dt><dd>{{ $layaway->customer->phone }}</dd>@endif
                <dt>Made</dt><dd>{{ Show::date($layaway->made_on) }} by {{ $layaway->staff->name }}</dd>
                <dt>Set aside</dt>
                <dd>until {{ Show::date($layaway->expires_on) }}{{ $layaway->grace_days > 0
                    ? ", {$layaway->grace_days} days of grace" : '' }}, in {{ $layaway->location->town }}</dd>
                @if($standing !== null && $layaway->state === LayawayState::Running)<dt>Least payment</dt>
                <dd>{{ $standing->minPayment }}</dd>@endif
                @if($layaway->document !== null)<dt>Sold as</dt><dd>
                <a class="code"
                    href="{{ route('documents.show', $layaway->document) }}">{{ $layaway->document->label }}</a></dd>
                    @endif
                @if($layaway->ended_on !== null)<dt>Ended</dt><dd>{{ Show::date($layaway->ended_on) }}</dd>@endif
            </dl>
            @if($layaway->state === LayawayState::Ready && $layaway->paid_on !== null)
            <p>Paid in full on {{ Show::date($layaway->paid_on) }}.</p>
            @elseif($layaway->state === LayawayState::Running && $ladder->rungs !== [])
            <h2>Payments</h2>{!! LadderPicture::svg($ladder, $day) !!}@endif
            @if($isOpen)
                <h2 class="mt-4">Place</h2>
                <form class="filters" method="post" action="{{ route('layaways.shelve', $layaway) }}">@csrf
                    <div><label for="shelf">On the shelf</label><input class="form-control" id="shelf" name="shelf"
                        size="12" maxlength="40" value="{{ old('shelf', $layaway->shelf) }}"></div>
                    <button class="quiet-act" name="label" value="1">Keep, print label</button>
                </form>
                @if($layaway->state === LayawayState::Ready)
                <form method="post" action="{{ route('layaways.collect', $layaway) }}">
                @csrf <button class="quiet-act">The goods leave now</button></form>@endif
            @endif
            <h2 class="mt-4">Signature</h2>
            @if($layaway->signature !== null)
                <svg class="signature" viewBox="0 0 360 90" role="img"
                    aria-label="Signature of {{ $layaway->signed_by }}"><path d="{{ $layaway->signature }}"/></svg>
                <p class="small soft">{{ $layaway->signed_by }}, {{ Show::on($layaway->signed_at) }}{{
                    $layaway->revision > 1 ? '; the agreement was changed since' : '' }}</p>
            @else<p class="small soft">Signed on paper.</p>@endif
        </aside>
    </div>
</div>
@endsection
