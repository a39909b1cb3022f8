<p class="complaint mb-0" id="gift-card-said" data-part role="alert">
@if($complaint->on('gift-card')){{ $complaint->message() }}@endif</p>
