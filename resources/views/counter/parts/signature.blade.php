{{-- Who pays signs: here, on their side, or on the paper. --}}
@use('Elmstone\Counter\Settle\PayerSigns')
@use('Elmstone\Support\Show')
@php($signs = PayerSigns::of($slip, $reckoned, $house))
@if($signs->amount !== null && ! $slip->isDone())
@php($of = fn (string $act): string => route("counter.signature.{$act}", $slip->key))
@php($waits = session('signs_on_display') === $slip->key || ($asksDisplay ?? false))
<div class="sign payer" id="payer-signs" data-sign="{{ $of('here') }}" x-data="signing" @pointerdown="begin"
    @pointermove.document="draw" @pointerup.document="lift" @if($waits && $signs->signed === null) x-init="wait"
    data-waits="{{ $of('look') }}" data-takes="{{ $of('take') }}" @endif>
    @if($signs->signed !== null)
        @if($signs->signed->signature !== null)<svg class="signature" viewBox="0 0 360 90" role="img"
            aria-label="Signature of {{ $signs->signed->signed_by }}"><path d="{{ $signs->signed->signature }}"/></svg>
        @endif
        <p class="small mb-0"><span class="verdigris fw-bold">✓ {{ $signs->signed->signature === null
            ? 'signs the paper' : 'signed' }}</span> for {{ Show::money($signs->signed->amount) }}
            {{ $signs->signed->signed_by === '' ? '' : "by {$signs->signed->signed_by}" }} <button type="button"
                class="link-act" data-sends="{{ $of('here') }}" data-field="signature" value="">Sign again</button></p>
    @else
        <svg class="signature pad" viewBox="0 0 360 90" role="img" aria-label="Sign here with mouse or pen"><path d=""/>
            <text x="12" y="80">who pays signs for {{ Show::money($signs->amount) }}</text></svg>
        <p class="small mb-0 d-flex gap-2 align-items-center"><label for="payer-name" class="soft">by</label><input
            class="form-control form-control-sm" id="payer-name" name="signed_by" maxlength="120" autocomplete="off"
            value="{{ $slip->contact->name ?? $slip->customer_name }}"><button type="button"
            class="quiet-act keep nowrap" @click="keep" disabled>Keep</button></p>
        <p class="small mb-0">@if($waits)<span class="soft">waiting for their display …</span>@else<button type="button"
            class="link-act" data-sends="{{ $of('ask') }}">On their side</button>@endif <button type="button"
            class="link-act" data-sends="{{ $of('paper') }}">On the paper</button></p>
    @endif
</div>
@endif
@if($complaint->on('signature'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
