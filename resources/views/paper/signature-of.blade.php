@use('Elmstone\Support\Show')
<div class="mb-3"><h2>Signature of who paid</h2>
@if($signed->signature !== null)<svg class="signature" viewBox="0 0 360 90" role="img"
    aria-label="Signature of {{ $signed->signed_by }}"><path d="{{ $signed->signature }}"/></svg>@endif
<p class="small soft mb-0">for {{ Show::money($signed->amount) }}{{ $signed->signed_by === '' ? ''
    : " by {$signed->signed_by}" }}, {{ $signed->signature === null ? 'on the paper, ' : '' }}{{
        Show::moment($signed->signed_at) }}</p></div>
