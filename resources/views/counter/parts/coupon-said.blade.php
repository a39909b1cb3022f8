<p class="complaint mb-0" id="coupon-said" data-part role="alert">
@if($complaint->on('coupon')){{ $complaint->message() }}@endif</p>
