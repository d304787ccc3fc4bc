;; The nearest and second nearest of 256-bit descriptors; see hamming.ts. 32 bytes a descriptor. $q: those that are sought, $nq of
;; them; $db: the set, $n of them; $pos: where each of the set is on the picture, x and y; $out: index, distance, second a piece.
(module (memory (export "mem") 16)
 (func (export "match") (param $q i32) (param $nq i32) (param $db i32) (param $n i32) (param $pos i32) (param $out i32)
  (local $i i32) (local $p i32) (local $end i32) (local $pp i32) (local $best i32) (local $sec i32) (local $at i32) (local $d i32) (local $near i32) (local $j i32)
  (local $a v128) (local $b v128) (local $s v128)
  (local.set $end (i32.add (local.get $db) (i32.shl (local.get $n) (i32.const 5))))
  (block $done (loop $L
   (br_if $done (i32.ge_u (local.get $i) (local.get $nq)))
   (local.set $a (v128.load (local.get $q))) (local.set $b (v128.load offset=16 (local.get $q)))
   (local.set $best (i32.const 256)) (local.set $sec (i32.const 256)) (local.set $at (i32.const -1))
   (local.set $p (local.get $db))
   (block $e (loop $M
     (br_if $e (i32.ge_u (local.get $p) (local.get $end)))
     (local.set $s (i16x8.extadd_pairwise_i8x16_u (i8x16.add (i8x16.popcnt (v128.xor (local.get $a) (v128.load (local.get $p)))) (i8x16.popcnt (v128.xor (local.get $b) (v128.load offset=16 (local.get $p)))))))
     (local.set $s (i32x4.dot_i16x8_s (local.get $s) (v128.const i16x8 1 1 1 1 1 1 1 1)))
     (local.set $s (i32x4.add (local.get $s) (i8x16.shuffle 8 9 10 11 12 13 14 15 0 1 2 3 4 5 6 7 (local.get $s) (local.get $s))))
     (local.set $d (i32.add (i32x4.extract_lane 0 (local.get $s)) (i32x4.extract_lane 1 (local.get $s))))
     (if (i32.lt_s (local.get $d) (local.get $sec)) (then
       (local.set $j (i32.shr_u (i32.sub (local.get $p) (local.get $db)) (i32.const 5)))
       (local.set $near (i32.const 0))
       (if (i32.ge_s (local.get $at) (i32.const 0)) (then
         (local.set $pp (i32.sub (i32.load (i32.add (local.get $pos) (i32.shl (local.get $at) (i32.const 3)))) (i32.load (i32.add (local.get $pos) (i32.shl (local.get $j) (i32.const 3))))))
         (if (i32.lt_u (i32.add (local.get $pp) (i32.const 35)) (i32.const 71)) (then
           (local.set $pp (i32.sub (i32.load offset=4 (i32.add (local.get $pos) (i32.shl (local.get $at) (i32.const 3)))) (i32.load offset=4 (i32.add (local.get $pos) (i32.shl (local.get $j) (i32.const 3))))))
           (local.set $near (i32.lt_u (i32.add (local.get $pp) (i32.const 35)) (i32.const 71)))))))
       (if (i32.lt_s (local.get $d) (local.get $best))
         (then (if (i32.eqz (local.get $near)) (then (local.set $sec (local.get $best)))) (local.set $best (local.get $d)) (local.set $at (local.get $j)))
         (else (if (i32.eqz (local.get $near)) (then (local.set $sec (local.get $d))))))))
     (local.set $p (i32.add (local.get $p) (i32.const 32))) (br $M)))
   (i32.store (local.get $out) (local.get $at)) (i32.store offset=4 (local.get $out) (local.get $best)) (i32.store offset=8 (local.get $out) (local.get $sec))
   (local.set $out (i32.add (local.get $out) (i32.const 12))) (local.set $q (i32.add (local.get $q) (i32.const 32))) (local.set $i (i32.add (local.get $i) (i32.const 1))) (br $L)))))
